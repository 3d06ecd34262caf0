import { StopwatchScreen } from '@/features/drive-plan/StopwatchScreen';

export default async function Page({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <StopwatchScreen jobId={jobId} />;
}
