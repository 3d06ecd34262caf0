import { redirect } from 'next/navigation';

export default async function BenchPage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  redirect(`/jobs/${jobId}/bench/sender`);
}
