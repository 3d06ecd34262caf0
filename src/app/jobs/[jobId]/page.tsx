import { FindingScreen } from '@/features/finding/FindingScreen';
import { NoTraceYet } from '@/features/traces/NoTraceYet';

export default function TracePage() {
  return <FindingScreen empty={<NoTraceYet />} />;
}
