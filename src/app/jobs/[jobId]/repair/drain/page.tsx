import { DrainScreen } from '@/features/repair/drain/DrainScreen';

export default function RepairDrainScreenPage() {
  return <DrainScreen />;
}
