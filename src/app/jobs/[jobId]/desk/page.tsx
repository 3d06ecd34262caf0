import { DeskScreen } from '@/features/desk/DeskScreen';
import { NoTraceYet } from '@/features/traces/NoTraceYet';

export default function DeskPage() {
  return <DeskScreen empty={<NoTraceYet />} />;
}
