import type { ChannelName } from '../base';
import type { NumberStyle } from './words/cells';
import type { Cleaning, CleaningKind } from './rows/cleaning';
import type { LogClock } from './columns/resolveTime';
import type { Confidence } from './columns/understand';

/** What a person chose for a column. */
export interface ColumnChoice {
  readonly channel: ChannelName | 'time_s';
  /** Unit symbol, see `columnUnits`; null: by the values. */
  readonly unit: string | null;
}

/** Choices that a person made about a file. */
export interface ReadOptions {
  /** Choices by column number, in place of what headers and values say. */
  readonly mapping?: Readonly<Record<number, ColumnChoice>>;
  /** How numbers are written, where the file leaves it open. */
  readonly numbers?: NumberStyle;
  /** What cleaning must leave as it is, or treat the other way. */
  readonly leave?: readonly CleaningKind[];
}

/** A column that was taken. */
export interface TakenColumn {
  /** Number of the column in the file, from 0. */
  readonly column: number;
  readonly header: string;
  readonly channel: ChannelName | 'time_s';
  readonly unit: string;
  readonly confidence: Confidence;
  /** Where the understanding comes from. */
  readonly why: string;
}

/** What stands in a report of a column that was taken or guessed at, without the values it carries along. */
export const plainColumn = <
  Column extends Omit<TakenColumn, 'channel' | 'unit'> & { channel: unknown; unit: unknown },
>({
  column,
  header,
  channel,
  unit,
  confidence,
  why,
}: Column): Pick<Column, keyof TakenColumn> => ({ column, header, channel, unit, confidence, why });

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
  /** All headers in their order: files with the same ones are read alike. */
  readonly headers: readonly string[];
}
