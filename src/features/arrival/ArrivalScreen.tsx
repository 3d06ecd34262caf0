'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { loadJob } from '@/storage/jobs';
import { CodesSection } from './CodesSection';
import { ComplaintSection } from './ComplaintSection';
import { HistorySection } from './HistorySection';

/** What the customer says, what is stored, and what was done before. */
export function ArrivalScreen({ jobId }: { jobId: string }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  if (!detail) return null;
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-8 px-5 pt-4 pb-16 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
      <ComplaintSection job={detail.job} />
      <div className="space-y-8">
        <CodesSection job={detail.job} />
        <HistorySection vehicle={detail.vehicle} />
      </div>
    </div>
  );
}
