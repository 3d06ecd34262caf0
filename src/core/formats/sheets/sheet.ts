import { fail, type Result } from '../../base';
import { importError, type ImportError } from '../importError';
import type { Reading } from '../readTrace';
import { gridReader, type GridReader } from '../table/gridReader';
import { timeColumnsOf, tooLargeTable, withNotes, type SourceKind } from '../table/readers';
import type { Cell } from '../words/cells';

/** A sheet of a workbook or a table of a page, as it is read. */
export interface Sheet {
  readonly name: string;
  readonly hidden: boolean;
  readonly grid: GridReader;
  error: ImportError | null;
}

/** Begins a sheet. */
export function newSheet<T>(
  about: { readonly name: string; readonly hidden: boolean; readonly kind: SourceKind; readonly described: string },
  { options }: Reading<T>,
): Sheet {
  const { name, hidden, kind, described } = about;
  return {
    name,
    hidden,
    grid: gridReader({ kind, described, timeColumns: timeColumnsOf(options), addressed: true }),
    error: null,
  };
}

/** Puts a row into a sheet; false when the sheet takes no more. */
export function takeRow(sheet: Sheet, cells: readonly Cell[], line: number): boolean {
  sheet.error ??= sheet.grid.take(cells, line) ?? tooLargeTable(sheet.grid.source.table);
  return sheet.error === null;
}

/** A sheet with so many more rows than one that can be read at once is the log, even where it must be asked about. */
const FAR_LONGER = 2;

/** Reads the sheet that is the log: the longest that can be read, those that are shown before those that are hidden. */
export function readLongest<T>(sheets: readonly Sheet[], reading: Reading<T>): Result<T, ImportError> {
  const results = sheets.map((sheet) => {
    const error = sheet.error ?? sheet.grid.end();
    const { source } = sheet.grid;
    if (!error) source.table.settle(reading.options.numbers ?? null);
    const read: Result<T, ImportError> = error ? fail(error) : reading.build(source);
    return { sheet, source, read, rows: source.table.rows };
  });
  const longest = (found: typeof results): (typeof results)[number] | undefined =>
    found.reduce<(typeof results)[number] | undefined>((a, b) => (a && a.rows >= b.rows ? a : b), undefined);
  const shown = results.filter((r) => !r.sheet.hidden);
  const isGood = (r: (typeof results)[number]): boolean => r.read.ok;
  const isAsked = (r: (typeof results)[number]): boolean => !r.read.ok && r.read.error.question !== null;
  const good = longest(shown.filter(isGood)) ?? longest(results.filter(isGood));
  const asked = longest(shown.filter(isAsked)) ?? longest(results.filter(isAsked));
  const best = good && asked && asked.rows > FAR_LONGER * good.rows ? asked : (good ?? asked);
  const failed = results.find((r) => !r.read.ok && r.read.error.code !== 'no-header') ?? results[0];
  const chosen = best ?? failed;
  if (!chosen) return fail(importError('empty', 'This workbook has no sheet with rows. Export the log again.'));
  if (!chosen.read.ok) {
    const where = results.length > 1 ? `${chosen.sheet.name}: ` : '';
    return fail({ ...chosen.read.error, message: `${where}${chosen.read.error.message}` });
  }
  const others = results.filter((r) => r !== chosen && (isGood(r) || isAsked(r))).map((r) => r.sheet.name);
  if (others.length === 0) return chosen.read;
  const note = `Other tables could be logs too (${others.join(', ')}); ${chosen.sheet.name}, the longest, was read.`;
  return reading.build(withNotes(chosen.source, () => [note]));
}
