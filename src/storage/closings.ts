import type { Result } from '@/core/base';
import { newClosing, readClosing, type ClosingSheet } from '@/core/closing';
import { database } from './database';
import type { ClosingRecord } from './records';
import { revert } from './revert';
import { kept, Unreadable, type StorageError } from './storageError';

/** What a change did to the closing of a job, so that it can be undone. */
export interface ClosingChange {
  readonly jobId: string;
  readonly before: unknown;
  readonly after: ClosingSheet;
}

/** The closing of a job; undefined before anything was written in it. */
export const loadClosing = (jobId: string): Promise<ClosingRecord | undefined> => database().closings.get(jobId);

/** Changes the closing of a job inside one transaction. */
export function changeClosing(
  jobId: string,
  change: (sheet: ClosingSheet) => ClosingSheet,
): Promise<Result<ClosingChange, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.closings, db.jobs, async () => {
      const record = await db.closings.get(jobId);
      const read = readClosing(record?.sheet ?? newClosing());
      if (!read.ok) {
        const why = `The closing of this job was written by another version (${read.error}): it is kept as it came.`;
        throw new Unreadable(why);
      }
      const after = change(read.value);
      await db.closings.put({ id: jobId, jobId, updatedAt: Date.now(), sheet: after });
      await db.jobs.update(jobId, { updatedAt: Date.now() });
      return { jobId, before: read.value, after };
    }),
  );
}

/** Undoes one change of a closing; what was changed after it stays. */
export function undoClosing({ jobId, before, after }: ClosingChange): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.closings, async () => {
      const now = await db.closings.get(jobId);
      if (now)
        await db.closings.put({ ...now, updatedAt: Date.now(), sheet: revert<unknown>(before, after, now.sheet) });
    }),
  );
}

/** What was written for next time on earlier jobs of a vehicle, latest first; what cannot be read is left out. */
export async function earlierClosings(
  vehicleId: string,
  exceptJobId: string,
): Promise<readonly { readonly jobId: string; readonly at: number; readonly sheet: ClosingSheet }[]> {
  const db = database();
  const jobs = await db.jobs.where('vehicleId').equals(vehicleId).toArray();
  const records = await db.closings.bulkGet(jobs.filter((j) => j.id !== exceptJobId).map((j) => j.id));
  return records
    .flatMap((r) => {
      const read = r && readClosing(r.sheet);
      return r && read?.ok ? [{ jobId: r.jobId, at: read.value.handedOverAt ?? r.updatedAt, sheet: read.value }] : [];
    })
    .sort((a, b) => b.at - a.at);
}
