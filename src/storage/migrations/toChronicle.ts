import type { Transaction } from 'dexie';
import { entriesOfOldJob, type OldJob } from './oldJob';

interface OldTrace {
  readonly id: string;
  readonly jobId: string;
  readonly importedAt: number;
}

/**
 * Version 3: what was known of a job moves from the job into dated entries of its own. Findings are made again, since
 * they now carry what a further drive of the same car builds on.
 */
export async function toChronicle(change: Transaction): Promise<void> {
  const jobs = change.table<OldJob & { id: string }>('jobs');
  const entries = change.table('entries');
  for (const job of await jobs.toArray()) {
    const fields = entriesOfOldJob(job);
    await entries.bulkAdd(fields.map((f) => ({ ...f, id: crypto.randomUUID(), jobId: job.id })));
  }
  await jobs.toCollection().modify((job: Partial<OldJob> & { revision?: number }) => {
    const old = job as { answers?: unknown; codes?: unknown; cold?: unknown };
    delete old.answers;
    delete old.codes;
    delete old.cold;
    job.revision = 0;
  });
  const traces = change.table<OldTrace & { judging: { state: string } }>('traces');
  for (const { id, jobId, importedAt } of await traces.toArray()) {
    await entries.add({
      ...{ id: crypto.randomUUID(), jobId, at: importedAt, kind: 'drive' },
      traceId: id,
      leftOut: '',
    });
  }
  await change.table('findings').clear();
  await traces
    .filter((t) => t.judging.state === 'done')
    .modify((t) => {
      t.judging = { state: 'wanted' };
    });
}
