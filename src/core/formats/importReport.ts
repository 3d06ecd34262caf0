import type { NumberStyle } from './words/cells';
import type { Cleaning, CleaningKind } from './rows/cleaning';
import type { LogClock } from './columns/timeUnit';
import type { ReadAs, TakenColumn } from './column';

/** What a person chose for a column. */
export interface ColumnChoice {
  readonly channel: ReadAs;
  /** Unit symbol, see `columnUnits`; null: by the values. */
  readonly unit: string | null;
}

/** Choices that a person made about a file. */
export interface ReadOptions {
  /** Choices by column number, in place of what headers and values say. */
  readonly mapping?: Readonly<Record<number, ColumnChoice>>;
  /** How numbers are written, where the file leaves it open. */
  readonly numbers?: NumberStyle;
  /** Findings of cleaning for which the person chose the other treatment, see `Cleaning.otherwise`. */
  readonly otherwise?: readonly CleaningKind[];
}

/** What a person chose for the columns of a file: it holds for every file with the same headers. */
export type ColumnChoices = Pick<ReadOptions, 'mapping' | 'numbers'>;

/** Words that stood in a column of marks. */
export interface LogMark {
  readonly at_s: number;
  readonly text: string;
}

/** What the import understood and did. */
export interface ImportReport {
  readonly rows: number;
  readonly duration_s: number;
  /** How the file is written: kind, delimiter, decimals. */
  readonly format: string;
  readonly columns: readonly TakenColumn[];
  /** Headers of columns left out. */
  readonly ignored: readonly string[];
  /** Things a careful reader would want to know: guessed units, a reading that never moves. */
  readonly notes: readonly string[];
  readonly cleaning: readonly Cleaning[];
  /** When the log began by its own clock; null when it names none. */
  readonly clock: LogClock | null;
  /** What a column of marks says, at its moment of the trace. */
  readonly marks: readonly LogMark[];
  /** All headers in their order: files with the same ones are read alike. */
  readonly headers: readonly string[];
}
