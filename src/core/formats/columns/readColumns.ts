import { CHANNELS, fail, ok, type Result } from '../../base';
import type { MappedColumn } from '../column';
import { importError, type ImportError } from '../importError';
import type { CleaningLog } from '../rows/cleaning';
import { plural } from '../table/lineList';
import type { Source } from '../table/readers';
import { canonicalUnit, convertColumn } from '../words/columnUnits';
import { ask, type MapInput, type Mapping } from './question';
import { resolveTime, type ResolvedTime } from './resolveTime';

/** Share of unreadable cells in a column above which the file is refused. */
const MOST_UNREADABLE = 0.2;

/** Header of the column that the times come from. */
export const timeHeader = (source: Source, time: ResolvedTime): string =>
  source.table.columns[time.columns[0]!]!.header;

/** Values of a column in its canonical unit, row by row; an error where too many cells are no numbers. */
export function readColumn(
  source: Source,
  mapped: MappedColumn,
  log: CleaningLog,
): Result<{ values: Float64Array; unit: string }, ImportError> {
  const { table } = source;
  const column = table.columns[mapped.column]!;
  const { unreadable, filled, firstUnreadable } = column;
  if (unreadable.count > MOST_UNREADABLE * Math.max(1, filled)) {
    const line = unreadable.lines[0]!;
    return fail(
      importError(
        'bad-number',
        `"${firstUnreadable}" on line ${line}, column ${mapped.header}, is not a number (${unreadable.count} such cells). Correct or empty these cells.`,
        { line, column: mapped.header },
      ),
    );
  }
  log.note(
    'unreadable-cells',
    unreadable,
    `${plural(unreadable.count, 'unreadable cell', 'unreadable cells')} in ${mapped.header} ${unreadable.count === 1 ? 'was' : 'were'} left out.`,
  );
  const values = column.numbers.values(table.rows);
  if (CHANNELS[mapped.channel].quantity === 'percent') {
    // A relay that is on or off commands all or nothing.
    const isSwitch = mapped.channel !== 'load_pct' && values.every((v) => v === 0 || v === 1 || Number.isNaN(v));
    if (isSwitch) for (let i = 0; i < values.length; i++) values[i] = 100 * values[i]!;
    column.switches?.values(table.rows).forEach((v, i) => {
      if (Number.isFinite(v)) values[i] = v;
    });
  }
  const unit = mapped.unit ?? canonicalUnit(mapped.channel);
  convertColumn(values, unit);
  return ok({ values, unit });
}

/** Finds the time of each row; an error where too many rows have none. */
export function readTimes(
  source: Source,
  mapping: Mapping,
  input: MapInput,
  ect: Float64Array | null,
): Result<ResolvedTime, ImportError> {
  const { table } = source;
  const found = resolveTime(table, mapping.times, ect);
  const columns = mapping.times.map((t) => table.columns[t.at]!);
  const unreadable = columns.find((c) => c.unreadable.count > MOST_UNREADABLE * Math.max(1, c.filled));
  if (unreadable && (!found || found.columns.some((at) => table.columns[at] === unreadable))) {
    const line = unreadable.unreadable.lines[0]!;
    return fail(
      importError(
        'bad-number',
        `"${unreadable.firstUnreadable}" on line ${line}, column ${unreadable.header}, is not a time. Times may be seconds, hh:mm:ss or a date with a time.`,
        { line, column: unreadable.header },
      ),
    );
  }
  const timed = found?.seconds.reduce((n, s) => (Number.isFinite(s) ? n + 1 : n), 0) ?? 0;
  if (!found || timed < (1 - MOST_UNREADABLE) * table.rows) {
    const names = columns.map((c) => c.header).join(', ');
    const message = found
      ? `Only ${timed} of ${table.rows} rows carry a time (${names}). Export the log with a time on each row, or choose another column.`
      : `${names} holds no time of day and no elapsed time. Choose the time column.`;
    return fail(ask(input, message, 'no-time'));
  }
  if (found.open) {
    const name = timeHeader(source, found);
    return fail(
      ask(input, `${name} names no unit, and its steps fit several: choose seconds, milliseconds, parts of a second.`),
    );
  }
  return ok(found);
}
