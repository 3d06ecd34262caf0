import type { ReactNode } from 'react';
import { RepairTabs } from '@/features/repair/RepairTabs';

export default function RepairLayout({ children }: { children: ReactNode }) {
  return <RepairTabs>{children}</RepairTabs>;
}
