import { fail, type Result } from '@/core/base';
import { database } from './database';
import { addEntry, undoEntries, type EntryChange, type NewEntry } from './entries';
import { setStanding } from './jobs';
import type { JobStanding } from './records';
import { kept, type StorageError } from './storageError';

/** A signed verdict, so that it can be taken back. */
export interface SignedVerdict {
  readonly jobId: string;
  readonly entry: EntryChange;
  readonly before: JobStanding | null;
}

/** Signs a verdict: its entry and where the job stands from then on, both or neither. */
export async function signVerdict(
  jobId: string,
  verdict: NewEntry<'proof'>,
  standing: JobStanding,
): Promise<Result<SignedVerdict, StorageError>> {
  const db = database();
  let refused: StorageError | null = null;
  const must = <T>(result: Result<T, StorageError>): T => {
    if (result.ok) return result.value;
    refused = result.error;
    throw new Error(result.error.message);
  };
  const signed = await kept(() =>
    db.transaction('rw', [db.entries, db.jobs, db.traces, db.findings], async () => {
      const entry = must(await addEntry(jobId, verdict));
      return { jobId, entry, before: must(await setStanding(jobId, standing)) };
    }),
  );
  return refused ? fail(refused) : signed;
}

/** Takes a signed verdict back, and the job to where it stood. */
export async function undoVerdict({ jobId, entry, before }: SignedVerdict): Promise<Result<unknown, StorageError>> {
  const undone = await undoEntries(entry);
  return undone.ok && before ? setStanding(jobId, before) : undone;
}
