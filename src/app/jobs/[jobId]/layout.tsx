import type { ReactNode } from 'react';
import { JobFrame } from '@/features/jobs/JobFrame';
import { NoSuchJob } from '@/features/jobs/NoSuchJob';
import { PhotoStrip } from '@/features/photos/PhotoStrip';
import { TraceIntake } from '@/features/traces/TraceIntake';
import { JobProvider } from '@/job/JobProvider';

export default async function JobLayout({
  params,
  children,
}: {
  params: Promise<{ jobId: string }>;
  children: ReactNode;
}) {
  const { jobId } = await params;
  return (
    <JobProvider jobId={jobId} missing={<NoSuchJob />}>
      <TraceIntake>
        <JobFrame>
          {children}
          <PhotoStrip jobId={jobId} />
        </JobFrame>
      </TraceIntake>
    </JobProvider>
  );
}
