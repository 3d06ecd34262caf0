import { ProveScreen } from '@/features/proof/ProveScreen';

export default function ProvePage() {
  return <ProveScreen />;
}
