import { LooseBenches } from '@/features/bench/LooseBenches';

export default function LooseBenchPage() {
  return <LooseBenches />;
}
