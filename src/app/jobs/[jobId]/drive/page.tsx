import { DrivePlanScreen } from '@/features/drive-plan/DrivePlanScreen';

export default async function Page({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  return <DrivePlanScreen jobId={jobId} />;
}
