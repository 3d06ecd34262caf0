import type { Transaction } from 'dexie';
import type { ImportReport } from '@/core/formats';
import type { TriageRecord } from '../records';

/**
 * Version 5: reports name the marks of their file, and findings hold what goes on inside the drive: they are made again.
 */
export async function toMarks(change: Transaction): Promise<void> {
  const traces = change.table<{ report: ImportReport; judging: { state: string } }>('traces');
  await traces.toCollection().modify((trace) => {
    trace.report = { ...trace.report, marks: (trace.report as Partial<ImportReport>).marks ?? [] };
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
