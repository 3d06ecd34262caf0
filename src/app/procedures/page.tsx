import type { Metadata } from 'next';
import { ProceduresScreen } from '@/features/repair/procedures/ProceduresScreen';

export const metadata: Metadata = { title: 'Procedures · Varmek' };

export default function ProceduresPage() {
  return <ProceduresScreen />;
}
