import type { Run } from '@/core/procedure';
import type { Result } from '@/core/base';
import { database } from './database';
import { runId, type RunKind, type RunRecord } from './records';
import { kept, type StorageError } from './storageError';

/** How far a procedure of a job has run; undefined before its start. */
export const loadRun = (jobId: string, procedure: RunKind): Promise<RunRecord | undefined> =>
  database().runs.get(runId(jobId, procedure));

/** Keeps how far a procedure has run. */
export function putRun(
  jobId: string,
  procedure: RunKind,
  { runningSince, elapsed_s, ended_s }: Run,
): Promise<Result<string, StorageError>> {
  const record: RunRecord = {
    ...{ id: runId(jobId, procedure), jobId, procedure },
    ...{ runningSince, elapsed_s, ended_s },
  };
  return kept(() => database().runs.put(record));
}

/** Puts a procedure back to its beginning. */
export const clearRun = (jobId: string, procedure: RunKind): Promise<Result<void, StorageError>> =>
  kept(() => database().runs.delete(runId(jobId, procedure)));
