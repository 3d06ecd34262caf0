import type { Figures } from '@/core/case';
import { pastJobOf, type PastJob } from '@/core/history';
import { loadFindings, loadJob } from '@/storage/jobs';
import { listJobIds, loadPapers } from '@/storage/pastJobs';
import { caseOfJob } from './caseOfJob';

/** The jobs of the shop as they are gone through. */
export interface PastJobs {
  readonly jobs: readonly PastJob[];
  readonly done: number;
  /** Null while they are counted. */
  readonly total: number | null;
  /** Jobs that could not be worked out, and why: they are left out and the others count. */
  readonly unread: readonly { readonly jobId: string; readonly why: string }[];
}

/** Before anything was counted. */
export const NOTHING_COUNTED: PastJobs = { jobs: [], done: 0, total: null, unread: [] };

/** True once every job was gone through. */
export const isWhole = ({ done, total }: PastJobs): boolean => total !== null && done === total;

/** What is shown: a whole count stays in sight until the next one is whole. */
export const inSight = (was: PastJobs, found: PastJobs): PastJobs => (isWhole(was) && !isWhole(found) ? was : found);

/** Jobs worked out between two reports. */
const AT_ONCE = 8;

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

/** Goes through every job, reporting every few, so that the page has room between them; ends once `live` says no. */
export async function countPastJobs(
  figures: Figures,
  live: () => boolean,
  tell: (now: PastJobs) => void,
): Promise<void> {
  const ids = await listJobIds();
  const jobs: PastJob[] = [];
  const unread: PastJobs['unread'][number][] = [];
  for (const [i, id] of ids.entries()) {
    try {
      const job = await pastJob(id, figures);
      if (job) jobs.push(job);
    } catch (error) {
      // A database that fails is told as such; one record that no version of ours wrote must not hide all others.
      if (!(error instanceof TypeError || error instanceof RangeError)) throw error;
      unread.push({ jobId: id, why: error.message });
    }
    if (!live()) return;
    const last = i === ids.length - 1;
    if (last || i % AT_ONCE === AT_ONCE - 1) {
      tell({ jobs: [...jobs], done: i + 1, total: ids.length, unread: [...unread] });
    }
  }
  if (ids.length === 0) tell({ ...NOTHING_COUNTED, total: 0 });
}
