'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { caseOdds, type CaseOdds } from '@/core/diagnosis';
import { loadJob, type JobDetail } from '@/storage/jobs';

/** The finding that counts for a job: of the trace judged last. */
export function latestFinding(detail: JobDetail) {
  return detail.findings.length === 0
    ? null
    : detail.findings.reduce((a, b) => (b.judgedAt > a.judgedAt ? b : a)).finding;
}

/** A job and its odds; `undefined` while loading, null when it does not exist. */
export function useCase(jobId: string): { detail: JobDetail; odds: CaseOdds } | null | undefined {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  return useMemo(() => {
    if (!detail) return detail;
    return { detail, odds: caseOdds(detail.vehicle.vehicle, detail.job.answers, latestFinding(detail)) };
  }, [detail]);
}
