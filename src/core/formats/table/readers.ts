import { importError, type ImportError } from '../importError';
import type { ReadOptions } from '../importReport';
import type { LineList } from './lineList';
import type { RowTable } from './rowTable';

/** What kind of file it is. */
export type SourceKind = 'delimited' | 'json' | 'can-log' | 'workbook' | 'page';

/** The rows of a file, and what is known beside them. */
export interface Source {
  readonly kind: SourceKind;
  readonly table: RowTable;
  /** Line of the header, from 1; null in a file without one. */
  readonly headerLine: number | null;
  /** How the file is written, for the report: delimiter and layout, or the kind of log. */
  readonly described: string;
  /** Readings stand in rows of their own: their order in the file says nothing beyond their channel. */
  readonly oneReadingPerRow: boolean;
  /** The header again in the middle of the file. */
  readonly repeatedHeader: LineList;
  /** Remarks beside the table: refused answers, control units left out. */
  readonly notes: () => readonly string[];
}

/** Reads text as it streams by and fills a table of rows. */
export interface SourceReader {
  readonly source: Source;
  /** Takes the next piece of text, cut at the end of a line. Returns what is wrong, if anything. */
  readonly push: (text: string) => ImportError | null;
  /** No more text comes. */
  readonly finish: () => ImportError | null;
}

/** Most columns a table may have: beyond, it is no log. */
export const MOST_COLUMNS = 1000;

export const tooManyColumns = (line: number | null): ImportError =>
  importError(
    'too-many-columns',
    `The file has more than ${MOST_COLUMNS} columns: that is no log of one drive. Export only the channels of the warm-up.`,
    { line },
  );

/** Most rows: eleven hours at fifty a second; beyond, it is no log of one drive. */
const MOST_ROWS = 2_000_000;
/** Most cells of all columns together: what fits into memory. */
const MOST_CELLS = 24_000_000;

/** What is wrong with a table that grows beyond any log; null as long as it does not. */
export function tooLargeTable(table: RowTable): ImportError | null {
  if (table.rows <= MOST_ROWS && table.size <= MOST_CELLS) return null;
  const what = table.rows > MOST_ROWS ? `${MOST_ROWS / 1e6} million rows` : `${MOST_CELLS / 1e6} million cells`;
  return importError(
    'too-large',
    `The file has more than ${what}: no log of one drive is that long. Export a single drive.`,
  );
}

/** Columns that a person said hold the time. */
export const timeColumnsOf = (options: ReadOptions): ReadonlySet<number> =>
  new Set(
    Object.entries(options.mapping ?? {})
      .filter(([, choice]) => choice.channel === 'time_s')
      .map(([column]) => Number(column)),
  );

/** A source with more to say beside its table; everything else as it is when it is asked. */
export const withNotes = (source: Source, more: () => readonly string[]): Source => ({
  kind: source.kind,
  get table() {
    return source.table;
  },
  get headerLine() {
    return source.headerLine;
  },
  get described() {
    return source.described;
  },
  get oneReadingPerRow() {
    return source.oneReadingPerRow;
  },
  get repeatedHeader() {
    return source.repeatedHeader;
  },
  notes: () => [...source.notes(), ...more()],
});
