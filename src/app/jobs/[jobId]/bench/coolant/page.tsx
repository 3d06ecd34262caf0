import { CoolantDesk } from '@/features/bench/coolant/CoolantDesk';

export default function CoolantDeskPage() {
  return <CoolantDesk />;
}
