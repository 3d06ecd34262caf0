import { LiveScreen } from '@/features/drive-plan/live/LiveScreen';

export default async function Page({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <LiveScreen jobId={jobId} />;
}
