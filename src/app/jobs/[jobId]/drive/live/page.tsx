import { LiveScreen } from '@/features/drive-plan/live/LiveScreen';

export default function Page() {
  return <LiveScreen />;
}
