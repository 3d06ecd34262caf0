'use client';

import { useEffect } from 'react';
import { judgeTracesAgain } from '@/storage/traces';
import { loadFindings, loadJob, putSummary, type JobSummary } from '@/storage/jobs';
import { summaryBasis, summaryOf } from './caseOfJob';
import { soundCase } from './soundFindings';
import { useFigures } from './useFigures';
import { useWrite } from './useWrite';

/**
 * Works out anew what the list shows of jobs that have changed since, one after the other with room for the page between
 * them, so that a list of hundreds is there at once.
 */
export function useFreshSummaries(jobs: readonly JobSummary[] | undefined): void {
  const shop = useFigures();
  const write = useWrite();
  const stale = (jobs ?? [])
    .filter(({ job, vehicle, summary, waiting }) => {
      if (!vehicle || !shop || waiting > 0) return false;
      return summary?.basis !== summaryBasis(job, vehicle, shop.changedAt);
    })
    .map((j) => j.job.id);
  const [next] = stale;
  const revision = jobs?.find((j) => j.job.id === next)?.job.revision;
  useEffect(() => {
    if (next === undefined || !shop) return;
    const timer = setTimeout(() => {
      void (async () => {
        const [detail, findings] = await Promise.all([loadJob(next), loadFindings(next)]);
        if (!detail) return;
        const basis = summaryBasis(detail.job, detail.vehicle, shop.changedAt);
        const { case: found, broken } = soundCase(detail, findings, shop.figures);
        if (broken.length > 0) await write(judgeTracesAgain(broken));
        else await write(putSummary(summaryOf(detail.job, basis, found)));
      })();
    });
    return () => clearTimeout(timer);
  }, [next, revision, shop, write]);
}
