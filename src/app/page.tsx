import { DemoButton } from '@/features/demo/DemoButton';
import { EmptyShop } from '@/features/jobs/EmptyShop';
import { JobsScreen } from '@/features/jobs/JobsScreen';

export default function JobsPage() {
  return <JobsScreen empty={<EmptyShop demo={<DemoButton />} />} />;
}
