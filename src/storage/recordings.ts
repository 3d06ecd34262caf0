import type { Result } from '@/core/base';
import { moveToBin } from './bin';
import { database } from './database';
import type { RecordedMark, RecordedRow, RecordingRecord } from './records';
import { kept, Unreadable, type StorageError } from './storageError';

/** The recording of a job that is not finished; undefined when there is none. */
export const openRecording = (jobId: string): Promise<RecordingRecord | undefined> =>
  database().recordings.where('jobId').equals(jobId).first();

/** Begins a recording. */
export function startRecording(
  jobId: string,
  source: RecordingRecord['source'],
): Promise<Result<RecordingRecord, StorageError>> {
  const record: RecordingRecord = {
    id: crypto.randomUUID(),
    jobId,
    startedAt: Date.now(),
    source,
    rows: [],
    marks: [],
  };
  return kept(async () => {
    await database().recordings.add(record);
    return record;
  });
}

/**
 * Keeps what was recorded so far: whole, so that a recording which someone took away meanwhile is there again, unless
 * its job is gone.
 */
export function keepRecording(
  record: RecordingRecord,
  so: { readonly rows: readonly RecordedRow[]; readonly marks: readonly RecordedMark[] },
): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.recordings, db.jobs, async () => {
      if (!(await db.jobs.get(record.jobId))) {
        throw new Unreadable('The job of this recording was deleted: put it back from the bin, then go on.');
      }
      const there = await db.recordings.get(record.id);
      // It only ever grows: a screen that was left, whose rows found room late, takes nothing from another's.
      if (there && there.rows.length > so.rows.length) {
        throw new Unreadable('This recording went on in another tab: open its screen to see what it holds.');
      }
      await db.recordings.put({ ...record, rows: [...so.rows], marks: [...so.marks] });
    }),
  );
}

/** Forgets a recording that has become a log of its job. */
export const endRecording = (id: string): Promise<Result<void, StorageError>> =>
  kept(() => database().recordings.delete(id));

/** Throws a recording away, into the bin. @returns its id there; null where it was not here */
export function deleteRecording(id: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.recordings, db.bin, async () => {
      const record = await db.recordings.get(id);
      if (!record) return null;
      const at = new Date(record.startedAt).toISOString().slice(0, 16).replace('T', ' ');
      return moveToBin('recording', `Recording of ${at}, ${record.rows.length} rows`, { recordings: [record] });
    }),
  );
}
