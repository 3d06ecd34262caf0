import type { Metadata } from 'next';
import { NewJobScreen } from '@/features/jobs/NewJobScreen';

export const metadata: Metadata = { title: 'New job' };

export default function NewJobPage() {
  return <NewJobScreen />;
}
