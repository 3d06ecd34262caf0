import { CaseScreen } from '@/features/case/CaseScreen';

export default function Page() {
  return <CaseScreen />;
}
