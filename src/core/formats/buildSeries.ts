import { fail, ok, type Result } from '../base';
import { convertColumn } from './words/columnUnits';
import { importError, type ImportError } from './importError';
import { FEW_ODD } from './rows/oddRows';
import type { Source } from './table/readers';
import { resolveTime } from './columns/resolveTime';
import type { LogClock } from './columns/timeUnit';
import type { TableColumn } from './table/rowTable';
import { temperatureUnit, understandColumns } from './columns/understand';
import type { ColumnGuess } from './column';
import { unitOfHeader } from './words/headers';

/** A temperature of a log, whatever it is of. */
export interface LoggedColumn {
  readonly header: string;
  /** What it most likely is; null for anything that is no channel of a trace. */
  readonly channel: ColumnGuess['channel'];
  readonly values_c: Float64Array;
}

/** The temperatures of a second log, on its own time. */
export interface LoggedSeries {
  /** s from its first row, rising. */
  readonly time_s: Float64Array;
  readonly columns: readonly LoggedColumn[];
  readonly clock: LogClock | null;
}

const TEMPERATURE_UNITS = ['°C', '°F', 'K'];
/** Temperatures under a bonnet, °C: what lies mostly outside is none. */
const COLDEST_C = -60;
const HOTTEST_C = 450;
/** Fewest readings of a column. */
const FEWEST = 3;

/** The column in °C; null where it is no temperature. */
function celsius(column: TableColumn, rows: number, named: string | null): Float64Array | null {
  if (column.filled < FEWEST || column.unreadable.count > 0.2 * column.filled) return null;
  const unit = unitOfHeader(column.header) ?? column.unit ?? named;
  if (unit !== null && !TEMPERATURE_UNITS.includes(unit)) return null;
  const values = column.numbers.values(rows);
  convertColumn(values, unit ?? temperatureUnit(column.numbers, false).unit);
  let outside = 0;
  for (const v of values) if (v < COLDEST_C || v > HOTTEST_C) outside++;
  return outside > 0.1 * column.filled ? null : values;
}

/**
 * Every temperature of a log with its time: for thermocouples on a hose or the housing, which are no channels of the
 * control unit. Rows are put into the order of time.
 */
export function buildSeries(source: Source): Result<LoggedSeries, ImportError> {
  const { table, headerLine } = source;
  // What stands under the wrong names is no temperature of theirs.
  if (table.oddRows.count <= FEW_ODD * table.rows) table.blank(table.oddRows.rows);
  const guesses = understandColumns(table);
  const times = guesses.filter((g) => g.channel === 'time_s').map((g) => ({ at: g.column, unit: g.unit }));
  const candidates = guesses.filter((g) => g.channel !== 'time_s' && table.columns[g.column]!.header !== '');
  const columns = candidates.flatMap((g): LoggedColumn[] => {
    const values_c = celsius(table.columns[g.column]!, table.rows, g.unit);
    return values_c ? [{ header: g.header, channel: g.confidence === 'sure' ? g.channel : null, values_c }] : [];
  });
  const time = resolveTime(table, times, columns[0]?.values_c ?? null);
  if (!time) {
    return fail(
      importError('no-time', 'No time column was found. Name one "time", or log with a clock.', { line: headerLine }),
    );
  }
  if (columns.length === 0) {
    return fail(
      importError(
        'no-temperature',
        'No column of this log holds temperatures. Name their unit in the header, for example "Hose (°C)".',
        {
          line: headerLine,
        },
      ),
    );
  }
  const order = Array.from(time.seconds.keys())
    .filter((i) => Number.isFinite(time.seconds[i]!))
    .sort((a, b) => time.seconds[a]! - time.seconds[b]!);
  if (order.length < FEWEST) {
    return fail(
      importError('too-few-rows', `Only ${order.length} rows carry a time. Log the whole drive.`, { line: headerLine }),
    );
  }
  const start = time.seconds[order[0]!]!;
  const first = time.seconds.find(Number.isFinite)!;
  const pick = (values: Float64Array): Float64Array => Float64Array.from(order, (i) => values[i]!);
  return ok({
    time_s: pick(time.seconds).map((t) => t - start),
    columns: columns.map((c) => ({ ...c, values_c: pick(c.values_c) })),
    clock: time.clock && { ...time.clock, start_s: time.clock.start_s + start - first },
  });
}
