import type { Transaction } from 'dexie';
import type { TriageRecord } from '../records';

/** Findings of an older judge are made again: of traces, and of logs that were judged without a job. */
export async function judgeAgain(change: Transaction): Promise<void> {
  await change
    .table<{ judging: { state: string } }>('traces')
    .filter((trace) => trace.judging.state === 'done')
    .modify((trace) => {
      trace.judging = { state: 'wanted' };
    });
  await change.table('findings').clear();
  await change
    .table<{ outcome: TriageRecord['outcome'] }>('triage')
    .filter((log) => log.outcome.state === 'judged')
    .modify((log) => {
      log.outcome = { state: 'waiting' };
    });
}
