import { StripScreen } from '@/features/repair/strip/StripScreen';

export default function RepairStripScreenPage() {
  return <StripScreen />;
}
