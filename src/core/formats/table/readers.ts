import type { ImportError } from '../importError';
import type { LineList, RowTable } from './rowTable';

/** What kind of file it is. */
export type SourceKind = 'delimited' | 'json' | 'can-log' | 'workbook';

/** Reads text as it streams by and fills a table of rows. */
export interface SourceReader {
  readonly kind: SourceKind;
  readonly table: RowTable;
  /** Line of the header, from 1; null in a file without one. */
  readonly headerLine: number | null;
  /** How the file is written, for the report: delimiter and decimals, or the kind of log. */
  readonly described: string;
  /** True when the numbers can be read in two ways and a person must say which. */
  readonly numbersOpen: boolean;
  /** Readings stand in rows of their own: their order in the file says nothing beyond their channel. */
  readonly oneReadingPerRow: boolean;
  /** The header again in the middle of the file. */
  readonly repeatedHeader: LineList;
  /** Remarks beside the table: refused answers, control units left out. */
  readonly notes: () => readonly string[];
  /** Takes the next piece of text, cut at the end of a line. Returns what is wrong, if anything. */
  readonly push: (text: string) => ImportError | null;
  /** No more text comes. */
  readonly finish: () => ImportError | null;
}

/** Most columns a table may have: beyond, it is no log. */
export const MOST_COLUMNS = 1000;
