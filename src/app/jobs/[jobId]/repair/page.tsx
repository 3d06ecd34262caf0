import { PlanScreen } from '@/features/repair/plan/PlanScreen';

export default function RepairPlanScreenPage() {
  return <PlanScreen />;
}
