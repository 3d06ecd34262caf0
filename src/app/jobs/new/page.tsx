import { NewJobScreen } from '@/features/jobs/NewJobScreen';

export default function NewJobPage() {
  return <NewJobScreen />;
}
