import { FanDesk } from '@/features/bench/fan/FanDesk';

export default function FanDeskPage() {
  return <FanDesk />;
}
