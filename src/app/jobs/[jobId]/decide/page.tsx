import { DecideScreen } from '@/features/decide/DecideScreen';

export default function Page() {
  return <DecideScreen />;
}
