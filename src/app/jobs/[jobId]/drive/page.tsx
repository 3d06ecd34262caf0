import { DrivePlanScreen } from '@/features/drive-plan/DrivePlanScreen';

export default function Page() {
  return <DrivePlanScreen />;
}
