import type { Transaction } from 'dexie';
import type { ImportReport, ReadOptions } from '@/core/formats';

/** Reports tell more since version 2: what earlier ones did not record is said to be unknown. */
export function completeReports(change: Transaction): Promise<number> {
  return change
    .table<{ report: ImportReport; options?: ReadOptions }>('traces')
    .toCollection()
    .modify((record) => {
      record.report = completeReport(record.report);
      record.options = {};
    });
}

function completeReport(
  old: Partial<ImportReport> & Pick<ImportReport, 'rows' | 'duration_s' | 'columns'>,
): ImportReport {
  return {
    format: 'delimited text',
    ignored: [],
    notes: [],
    cleaning: [],
    clock: null,
    marks: [],
    headers: old.columns.map((c) => c.header),
    ...old,
    columns: old.columns.map((c, column) => ({
      ...{ column, confidence: 'sure' as const, why: 'from its header' },
      ...c,
    })),
  };
}
