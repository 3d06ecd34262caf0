import { ColdLookScreen } from '@/features/cold-look/ColdLookScreen';

export default function Page() {
  return <ColdLookScreen />;
}
