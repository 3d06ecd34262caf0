import { NOT_BEGUN, type Run } from '@/core/procedure';
import type { Result } from '@/core/base';
import { database } from './database';
import { runId, type RunKind, type RunRecord } from './records';
import { kept, type StorageError } from './storageError';

/** How far a procedure of a job has run; undefined before its start. */
export const loadRun = (jobId: string, procedure: RunKind): Promise<RunRecord | undefined> =>
  database().runs.get(runId(jobId, procedure));

/**
 * Changes how far a procedure has run inside one transaction, so that two tabs agree.
 *
 * @returns the run before, for undo
 */
export function changeRun(
  jobId: string,
  procedure: RunKind,
  change: (run: Run) => Run,
): Promise<Result<Run, StorageError>> {
  const db = database();
  const id = runId(jobId, procedure);
  return kept(() =>
    db.transaction('rw', db.runs, async () => {
      const before: Run = (await db.runs.get(id)) ?? NOT_BEGUN;
      const { runningSince, elapsed_s, ended_s } = change(before);
      await db.runs.put({ id, jobId, procedure, runningSince, elapsed_s, ended_s });
      return before;
    }),
  );
}
