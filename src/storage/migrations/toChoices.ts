import type { Transaction } from 'dexie';
import type { ImportReport } from '@/core/formats';
import { knownState, standingOf } from '../jobStanding';
import { runId, type TriageRecord } from '../records';
import { choicesOf, reportOf, type OldOptions } from './oldOptions';

interface OldJob {
  readonly id: string;
  state: string;
  lookAgainOn?: string;
  readonly updatedAt: number;
  stopwatch?: { readonly runningSince: number | null; readonly elapsed_s: number } | null;
}

interface OldTrace {
  report: ImportReport;
  options: OldOptions;
  judging: { state: string };
}

/**
 * Version 4: choices about a log have a kind each, a job to look at again has its day and no other has one, the
 * stopwatch is a run in a table of its own. Findings are made again, since what speaks for them now has its place.
 */
export async function toChoices(change: Transaction): Promise<void> {
  const jobs = change.table<OldJob>('jobs');
  const runs = change.table('runs');
  for (const { id, stopwatch } of await jobs.toArray()) {
    if (stopwatch) {
      await runs.add({ id: runId(id, 'drive'), jobId: id, procedure: 'drive', ...stopwatch, ended_s: {} });
    }
  }
  await jobs.toCollection().modify((job) => {
    const standing = standingOf(knownState(job.state), job.lookAgainOn, job.updatedAt);
    delete job.stopwatch;
    delete job.lookAgainOn;
    Object.assign(job, standing);
  });
  const traces = change.table<OldTrace>('traces');
  await traces.toCollection().modify((trace) => {
    trace.options = choicesOf(trace.options);
    trace.report = reportOf(trace.report);
    if (trace.judging.state === 'done') trace.judging = { state: 'wanted' };
  });
  await change.table('findings').clear();
  await change
    .table<{ outcome: TriageRecord['outcome'] }>('triage')
    .filter((log) => log.outcome.state === 'judged')
    .modify((log) => {
      log.outcome = { state: 'waiting' };
    });
}
