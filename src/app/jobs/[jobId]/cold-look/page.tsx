import { ColdLookScreen } from '@/features/cold-look/ColdLookScreen';

export default async function ColdLookPage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <ColdLookScreen jobId={jobId} />;
}
