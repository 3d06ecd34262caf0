import { StopwatchScreen } from '@/features/drive-plan/StopwatchScreen';

export default function Page() {
  return <StopwatchScreen />;
}
