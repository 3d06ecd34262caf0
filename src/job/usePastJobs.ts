'use client';

import { useEffect, useState } from 'react';
import type { Figures } from '@/core/case';
import { pastJobOf, type PastJob } from '@/core/history';
import { loadFindings, loadJob } from '@/storage/jobs';
import { listJobIds, loadPapers, watchPastJobs } from '@/storage/pastJobs';
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

/** Least time between two goings through while jobs keep changing, ms. */
const REST_MS = 2000;

/** One job as it is counted; null once it is gone. */
async function pastJob(id: string, figures: Figures): Promise<PastJob | null> {
  const [detail, findings, papers] = await Promise.all([loadJob(id), loadFindings(id), loadPapers(id)]);
  if (!detail) return null;
  return pastJobOf({
    ...{ jobId: id, vehicleId: detail.vehicle.id, arrivedAt: detail.job.createdAt },
    ...{ vehicle: detail.vehicle.vehicle, entries: detail.entries, figures, ...papers },
    case: caseOfJob(detail, findings, figures),
  });
}

/** Goes through every job, a few at a time with room for the page between them; stops once `live` says no */
async function countJobs(figures: Figures, live: () => boolean, tell: (now: PastJobs) => void): Promise<void> {
  const ids = await listJobIds();
  const jobs: PastJob[] = [];
  for (const [i, id] of ids.entries()) {
    const job = await pastJob(id, figures);
    if (!live()) return;
    if (job) jobs.push(job);
    if (i % AT_ONCE === AT_ONCE - 1) tell({ jobs: [...jobs], done: i + 1, total: ids.length });
  }
  tell({ jobs, done: ids.length, total: ids.length });
}

/** Every job of the shop, counted again when one changes while the last count stays in sight; leaving ends it. */
export function usePastJobs(): PastJobs {
  const shop = useFigures();
  const [state, setState] = useState<PastJobs>({ jobs: [], done: 0, total: null });
  const [failure, setFailure] = useState<{ readonly error: unknown } | null>(null);
  // For the page that says what went wrong and leads on.
  if (failure) throw failure.error;
  const figures = shop?.figures;
  useEffect(() => {
    if (!figures) return undefined;
    const now = { live: true, counting: false, changed: false };
    const count = async () => {
      now.changed = true;
      if (now.counting) return;
      now.counting = true;
      for (let first = true; now.live && now.changed; first = false) {
        now.changed = false;
        await countJobs(
          figures,
          () => now.live,
          (found) => {
            if (first || found.done === found.total) setState(found);
          },
        );
        await new Promise((rest) => setTimeout(rest, REST_MS));
      }
      now.counting = false;
    };
    const fail = (error: unknown) => setFailure({ error });
    const end = watchPastJobs(() => void count().catch(fail), fail);
    return () => {
      now.live = false;
      end();
    };
  }, [figures]);
  return state;
}
