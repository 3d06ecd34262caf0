import { FillScreen } from '@/features/repair/fill/FillScreen';

export default function RepairFillScreenPage() {
  return <FillScreen />;
}
