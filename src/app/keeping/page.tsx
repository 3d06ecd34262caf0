import type { Metadata } from 'next';
import { KeepingScreen } from '@/features/keeping/KeepingScreen';

export const metadata: Metadata = { title: 'What is kept' };

export default function Page() {
  return <KeepingScreen />;
}
