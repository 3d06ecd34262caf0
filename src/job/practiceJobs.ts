import type { Figures } from '@/core/case';
import { pastJobOf } from '@/core/history';
import { bareFinding, bareTrace, practiceFromJob, type PracticeSheet } from '@/core/practice';
import type { Trace } from '@/core/base';
import { loadDrives, loadJob } from '@/storage/jobs';
import { listJobIds, loadPapers } from '@/storage/pastJobs';
import { caseOfJob } from './caseOfJob';

/** A practice case made from a closed job, with the log of its first drive. */
export interface JobPractice {
  readonly sheet: PracticeSheet;
  readonly traces: Readonly<Record<string, Trace>>;
}

/** Name under which the drive of the job lies beside its case. */
export const JOB_DRIVE = 'job';

async function practiceOf(id: string, figures: Figures): Promise<JobPractice | null> {
  const [detail, { findings, traces }, papers] = await Promise.all([loadJob(id), loadDrives(id), loadPapers(id)]);
  if (!detail) return null;
  const found = caseOfJob(detail, findings, figures);
  const { truth } = pastJobOf({
    ...{ jobId: id, vehicleId: detail.vehicle.id, arrivedAt: detail.job.createdAt },
    ...{ vehicle: detail.vehicle.vehicle, entries: detail.entries, figures, case: found, ...papers },
  });
  if (!truth) return null;
  const workAt = detail.entries.find((e) => e.kind === 'work' && e.takenBack !== true)?.at ?? Infinity;
  const drive = found.drives.find((d) => d.counts && d.at < workAt);
  const finding = findings.find((f) => f.traceId === drive?.traceId)?.finding ?? null;
  const log = finding ? traces.find((t) => t.id === drive?.traceId) : undefined;
  const sheet = practiceFromJob({
    ...{ vehicle: detail.vehicle.vehicle, entries: detail.entries, truth },
    finding: log && finding ? bareFinding(finding) : null,
  });
  return sheet && { sheet, traces: log ? { [JOB_DRIVE]: bareTrace(log.trace) } : {} };
}

/**
 * A practice case from one of the shop's own closed jobs whose truth is known.
 * @param draw picks one of so many
 * @returns null where no job can be used
 */
export async function drawJobPractice(figures: Figures, draw: (many: number) => number): Promise<JobPractice | null> {
  const ids = await listJobIds();
  while (ids.length > 0) {
    const [id] = ids.splice(draw(ids.length), 1);
    const found = await practiceOf(id!, figures);
    if (found) return found;
  }
  return null;
}
