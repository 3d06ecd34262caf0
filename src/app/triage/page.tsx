import { TriageScreen } from '@/features/triage/TriageScreen';

export default function TriagePage() {
  return <TriageScreen />;
}
