import { SafeScreen } from '@/features/repair/safe/SafeScreen';

export default function RepairSafeScreenPage() {
  return <SafeScreen />;
}
