import { ArrivalScreen } from '@/features/arrival/ArrivalScreen';

export default function Page() {
  return <ArrivalScreen />;
}
