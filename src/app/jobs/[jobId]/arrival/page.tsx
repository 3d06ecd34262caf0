import { ArrivalScreen } from '@/features/arrival/ArrivalScreen';

export default async function ArrivalPage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <ArrivalScreen jobId={jobId} />;
}
