import type { ReactNode } from 'react';
import { JobFrame } from '@/features/jobs/JobFrame';
import { PhotoStrip } from '@/features/photos/PhotoStrip';
import { TraceIntake } from '@/features/traces/TraceIntake';

export default async function JobLayout({
  params,
  children,
}: {
  params: Promise<{ jobId: string }>;
  children: ReactNode;
}) {
  const { jobId } = await params;
  return (
    <JobFrame jobId={jobId}>
      <TraceIntake jobId={jobId}>
        {children}
        <PhotoStrip jobId={jobId} />
      </TraceIntake>
    </JobFrame>
  );
}
