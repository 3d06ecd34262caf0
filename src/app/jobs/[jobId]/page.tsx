import { FindingScreen } from '@/features/finding/FindingScreen';
import { NoTraceYet } from '@/features/traces/NoTraceYet';

export default async function TracePage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <FindingScreen jobId={jobId} empty={<NoTraceYet jobId={jobId} />} />;
}
