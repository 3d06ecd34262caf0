import { CloseScreen } from '@/features/report/CloseScreen';

export default function ClosePage() {
  return <CloseScreen />;
}
