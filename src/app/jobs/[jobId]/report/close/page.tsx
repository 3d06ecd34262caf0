import { CloseScreen } from '@/features/report/close/CloseScreen';

export default function ClosePage() {
  return <CloseScreen />;
}
