import { NOT_BEGUN, type Run } from '@/core/procedure';
import type { Result } from '@/core/base';
import { database } from './database';
import { runId, type RunKind, type RunRecord } from './records';
import { revert } from './revert';
import { kept, type StorageError } from './storageError';

/** A run without what the store keeps beside it, and without the beat, which is nobody's change. */
function plain({ runningSince, elapsed_s, ended_s, turns, readings }: Run): Run {
  return { runningSince, elapsed_s, ended_s, ...(turns ? { turns } : {}), ...(readings ? { readings } : {}) };
}

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
      const { runningSince, elapsed_s, ended_s, turns, readings, seen_ms } = change(before);
      await db.runs.put({
        ...{ id, jobId, procedure, runningSince, elapsed_s, ended_s },
        ...(turns ? { turns } : {}),
        ...(readings ? { readings } : {}),
        ...(seen_ms == null ? {} : { seen_ms }),
      });
      return before;
    }),
  );
}

/**
 * Takes one change of a run back; what was done after it stays.
 *
 * @param before the run before the change, and after it
 */
export const undoRun = (
  jobId: string,
  procedure: RunKind,
  before: Run,
  after: Run,
): Promise<Result<Run, StorageError>> =>
  changeRun(jobId, procedure, (now) => ({
    ...(now.seen_ms == null ? {} : { seen_ms: now.seen_ms }),
    ...revert(plain(before), plain(after), plain(now)),
  }));

/** Puts a run that is over aside under the time at which it was, so that another of its kind can begin. */
export function shelveRun(jobId: string, procedure: RunKind, at: number): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.runs, async () => {
      const run = await db.runs.get(runId(jobId, procedure));
      if (!run) return;
      const shelved = `${procedure} of ${new Date(at).toISOString()}`;
      await db.runs.put({ ...run, runningSince: null, id: runId(jobId, shelved), procedure: shelved });
      await db.runs.delete(run.id);
    }),
  );
}
