import type { ChannelName } from '../base';

/** How far the understanding of a column can be trusted. */
export type Confidence = 'sure' | 'likely' | 'unsure';

/** What it is made from; none where there is nothing to go by. */
export type Origin = 'header' | 'unit' | 'values' | 'person' | 'none';

/** What a column can be read as. */
export type ReadAs = ChannelName | 'time_s';

/** A column of a file and what it is read as; `Channel` and `Unit` take null as long as they are not settled. */
export interface Column<Channel extends ReadAs | null, Unit extends string | null> {
  /** Number of the column in the file, from 0. */
  readonly column: number;
  readonly header: string;
  readonly channel: Channel;
  /** Unit symbol, see `columnUnits`. */
  readonly unit: Unit;
  readonly confidence: Confidence;
  readonly origin: Origin;
  /** Where the understanding comes from, in words, with what speaks against it. */
  readonly why: string;
}

/** What a column might be. */
export type ColumnGuess = Column<ReadAs | null, string | null>;
/** A column that will be read as a channel; no unit where only the values can tell. */
export type MappedColumn = Column<ChannelName, string | null>;
/** A column that was taken. */
export type TakenColumn = Column<ReadAs, string>;

/** Some values of a column, evenly spread over the file, for a picture of its course; NaN where none. */
export type Preview = readonly number[];
