import { BleedScreen } from '@/features/repair/bleed/BleedScreen';

export default function RepairBleedScreenPage() {
  return <BleedScreen />;
}
