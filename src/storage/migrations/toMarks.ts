import type { Transaction } from 'dexie';
import type { ImportReport } from '@/core/formats';
import { judgeAgain } from './judgeAgain';

/**
 * Version 5: reports name the marks of their file, and findings hold what goes on inside the drive: they are made again.
 */
export async function toMarks(change: Transaction): Promise<void> {
  const traces = change.table<{ report: ImportReport }>('traces');
  await traces.toCollection().modify((trace) => {
    trace.report = { ...trace.report, marks: (trace.report as Partial<ImportReport>).marks ?? [] };
  });
  await judgeAgain(change);
}
