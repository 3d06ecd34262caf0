import { SenderDesk } from '@/features/bench/sender/SenderDesk';

export default function SenderDeskPage() {
  return <SenderDesk />;
}
