import type { Metadata } from 'next';
import { TriageScreen } from '@/features/triage/TriageScreen';

export const metadata: Metadata = { title: 'Many logs' };

export default function TriagePage() {
  return <TriageScreen />;
}
