import type { Result } from '@/core/base';
import { database } from './database';
import type { RecordedMark, RecordedRow, RecordingRecord } from './records';
import { kept, type StorageError } from './storageError';

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

/** Keeps what was recorded so far. */
export const keepRecording = (
  id: string,
  so: { readonly rows: readonly RecordedRow[]; readonly marks: readonly RecordedMark[] },
): Promise<Result<number, StorageError>> =>
  kept(() => database().recordings.update(id, { rows: [...so.rows], marks: [...so.marks] }));

/** Takes a recording away; returns it for undo. */
export function endRecording(id: string): Promise<Result<RecordingRecord | undefined, StorageError>> {
  return kept(async () => {
    const record = await database().recordings.get(id);
    await database().recordings.delete(id);
    return record;
  });
}

/** Puts a recording back. */
export const restoreRecording = (record: RecordingRecord): Promise<Result<string, StorageError>> =>
  kept(() => database().recordings.put(record));
