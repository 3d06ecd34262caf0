import type { ReactNode } from 'react';
import { ReportTabs } from '@/features/report/ReportTabs';

export default function ReportLayout({ children }: { children: ReactNode }) {
  return <ReportTabs>{children}</ReportTabs>;
}
