'use client';

import { useEffect, useState } from 'react';
import { pastJobOf, type PastJob } from '@/core/history';
import { loadFindings, loadJob } from '@/storage/jobs';
import { listJobIds, loadPapers } from '@/storage/pastJobs';
import { caseOfJob } from './caseOfJob';
import { useFigures } from './useFigures';

/** The jobs of the shop as they are gone through. */
export interface PastJobs {
  readonly jobs: readonly PastJob[];
  readonly done: number;
  /** Null while they are counted. */
  readonly total: number | null;
}

/** Jobs worked out between two looks at the page. */
const AT_ONCE = 8;

/** Goes through every job once, a few at a time with room for the page between them; leaving the page ends it. */
export function usePastJobs(): PastJobs {
  const shop = useFigures();
  const [state, setState] = useState<PastJobs>({ jobs: [], done: 0, total: null });
  const figures = shop?.figures;
  useEffect(() => {
    if (!figures) return undefined;
    let live = true;
    void (async () => {
      const ids = await listJobIds();
      const jobs: PastJob[] = [];
      for (const [i, id] of ids.entries()) {
        const [detail, findings, papers] = await Promise.all([loadJob(id), loadFindings(id), loadPapers(id)]);
        if (!live) return;
        if (detail) {
          jobs.push(
            pastJobOf({
              ...{ jobId: id, vehicleId: detail.vehicle.id, arrivedAt: detail.job.createdAt },
              ...{ vehicle: detail.vehicle.vehicle, entries: detail.entries, figures, ...papers },
              case: caseOfJob(detail, findings, figures),
            }),
          );
        }
        if (i % AT_ONCE === AT_ONCE - 1) setState({ jobs: [...jobs], done: i + 1, total: ids.length });
      }
      setState({ jobs, done: ids.length, total: ids.length });
    })();
    return () => {
      live = false;
    };
  }, [figures]);
  return state;
}
