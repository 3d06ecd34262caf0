import type { Metadata } from 'next';
import { HistoryScreen } from '@/features/history/HistoryScreen';

export const metadata: Metadata = { title: 'Over all jobs' };

export default function Page() {
  return <HistoryScreen />;
}
