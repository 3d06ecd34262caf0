import { median } from 'd3-array';
import { countPresent } from '../../base';
import { presentSample } from '../table/growingNumbers';
import type { RowTable, TableColumn } from '../table/rowTable';
import { TIME_UNITS_S, type TimeKind } from '../words/timeCells';
import { FASTEST_RISE, guessTimeUnit, type LogClock } from './timeUnit';

/** Time of every row of a table. */
export interface ResolvedTime {
  /** s on the log's own scale; NaN for rows without a readable time. */
  readonly seconds: Float64Array;
  /** Columns used. */
  readonly columns: readonly number[];
  /** How the cells were understood, for the report. */
  readonly unit: string;
  /** True when the unit was concluded from the numbers, not read. */
  readonly guessed: boolean;
  /** True when the numbers fit several units. */
  readonly open: boolean;
  readonly clock: LogClock | null;
}

const DAY_S = 86_400;

function dominantKind(column: TableColumn): TimeKind | null {
  const kinds = Object.entries(column.kinds) as [TimeKind, number][];
  return kinds.reduce<[TimeKind, number] | null>((a, b) => (a && a[1] >= b[1] ? a : b), null)?.[0] ?? null;
}

const finite = (values: Float64Array): Float64Array => values.filter(Number.isFinite);

function span(values: Float64Array): { first: number; last: number; count: number; spread: number } {
  let first = NaN;
  let last = NaN;
  let low = Infinity;
  let high = -Infinity;
  let count = 0;
  for (const v of values) {
    if (!Number.isFinite(v)) continue;
    if (count === 0) first = v;
    last = v;
    count++;
    if (v < low) low = v;
    if (v > high) high = v;
  }
  return { first, last, count, spread: count === 0 ? 0 : high - low };
}

/** Distinct values over rows: how finely a column resolves time. */
function fineness(values: Float64Array): number {
  let changes = 0;
  let before = NaN;
  for (const v of values) {
    if (Number.isFinite(v) && v !== before) {
      changes++;
      before = v;
    }
  }
  return changes / Math.max(1, values.length);
}

/** Rise of the coolant over a log, K, between its cool and its warm readings. */
export function riseOf(ect: Float64Array | null): number {
  if (!ect) return 0;
  const present = finite(ect);
  const step = Math.max(1, Math.floor(present.length / 20_000));
  const sorted = present.filter((_, i) => i % step === 0).sort();
  if (sorted.length < 2) return 0;
  return sorted[Math.floor(0.95 * (sorted.length - 1))]! - sorted[Math.floor(0.05 * (sorted.length - 1))]!;
}

/** Lets a clock of the day run on over midnight; one damaged cell is no midnight. */
function unrollMidnight(seconds: Float64Array): Float64Array {
  const present = Array.from(seconds.keys()).filter((i) => Number.isFinite(seconds[i]!));
  const at = (k: number): number => seconds[present[k]!] ?? NaN;
  const out = Float64Array.from(seconds);
  let days = 0;
  for (let k = 1; k < present.length; k++) {
    const isBack = at(k) < at(k - 1) - DAY_S / 2;
    const wasWrong = at(k - 2) <= at(k) + DAY_S / 24 && at(k - 1) > at(k - 2) + DAY_S / 2;
    const isWrong = at(k + 1) > at(k) + DAY_S / 2;
    if (isBack && !wasWrong && !isWrong) days++;
    out[present[k]!] = at(k) + days * DAY_S;
  }
  return out;
}

/** Takes the order of day and month that the column proves, or else the one in which the log is shorter. */
function datedValues(column: TableColumn, rows: number): Float64Array {
  const dayFirst = column.numbers.values(rows);
  const monthFirst = column.alternative!.values(rows);
  if (column.proved.dayMonth && !column.proved.monthDay) return dayFirst;
  if (column.proved.monthDay && !column.proved.dayMonth) return monthFirst;
  return span(monthFirst).spread < span(dayFirst).spread ? monthFirst : dayFirst;
}

/** A short clock is minutes and seconds, unless most rows repeat or the coolant would rise too fast: then hours and minutes. */
function clockValues(column: TableColumn, kind: TimeKind, rows: number, ect: Float64Array | null): Float64Array {
  const long = column.numbers.values(rows);
  if (kind === 'clock') return long;
  const short = column.alternative!.values(rows);
  const readable = short.every((v, i) => Number.isFinite(v) || !Number.isFinite(long[i]!));
  const repeats = fineness(long) < 0.25 && rows > 12;
  const tooFast = rows > 5 && riseOf(ect) / Math.max(span(long).spread, 1) > FASTEST_RISE;
  return readable && (repeats || tooFast) ? short : long;
}

/** One time column as seconds. */
function resolveColumn(
  table: RowTable,
  at: number,
  unit: string | null,
  ect: Float64Array | null,
): ResolvedTime | null {
  const column = table.columns[at]!;
  const kind = dominantKind(column);
  const { rows } = table;
  if (kind === null || kind === 'date') return null;
  const base = { columns: [at], guessed: false, open: false };
  if (kind === 'stamp') {
    const seconds = datedValues(column, rows);
    return { ...base, seconds, unit: 'date and time', clock: { kind: 'date', start_s: span(seconds).first } };
  }
  if (kind === 'clock' || kind === 'short-clock') {
    const seconds = unrollMidnight(clockValues(column, kind, rows, ect));
    const start_s = span(seconds).first;
    return { ...base, seconds, unit: 'clock', clock: start_s > 60 ? { kind: 'day', start_s } : null };
  }
  if (kind === 'dotted-clock') {
    const dates = new Set(column.alternative!.values(rows).filter(Number.isFinite));
    // A date stands still over a drive, a clock does not.
    if (dates.size > 0 && dates.size <= 2 && span(column.numbers.values(rows)).spread < 60) return null;
    const seconds = unrollMidnight(column.numbers.values(rows));
    return { ...base, seconds, unit: 'clock', clock: { kind: 'day', start_s: span(seconds).first } };
  }
  const values = column.numbers.values(rows);
  const middle = median(presentSample(column.numbers)) ?? NaN;
  const named = unit !== null && unit in TIME_UNITS_S ? unit : null;
  const found = named && !(middle * TIME_UNITS_S[named]! > 5e8) ? { unit: named, clock: null, open: false } : null;
  const { unit: used, clock, open } = found ?? guessTimeUnit(values, riseOf(ect));
  const factor = TIME_UNITS_S[used]!;
  return { seconds: values.map((v) => v * factor), columns: [at], unit: used, guessed: named !== used, open, clock };
}

/** A column of dates with a column of clock times. */
function combineDateAndClock(table: RowTable, candidates: readonly number[]): ResolvedTime | null {
  const dateAt = candidates.find((at) => dominantKind(table.columns[at]!) === 'date');
  const clockAt = candidates.find((at) => /clock/.test(dominantKind(table.columns[at]!) ?? ''));
  if (dateAt === undefined || clockAt === undefined) return null;
  const { rows } = table;
  const date = datedValues(table.columns[dateAt]!, rows);
  const clockColumn = table.columns[clockAt]!;
  const kind = dominantKind(clockColumn)!;
  const clock = kind === 'clock' ? clockColumn.numbers.values(rows) : clockColumn.alternative!.values(rows);
  let day = NaN;
  const seconds = clock.map((s, i) => {
    if (Number.isFinite(date[i]!)) day = date[i]!;
    return day * DAY_S + s;
  });
  return {
    seconds,
    columns: [dateAt, clockAt],
    unit: 'date and time',
    guessed: false,
    open: false,
    clock: { kind: 'date', start_s: span(seconds).first },
  };
}

/**
 * Finds the time of every row from the columns that may hold it: the one that resolves time finest, a date column
 * with a clock column together. Where two are equally fine, elapsed time is preferred to a clock that can be set.
 *
 * @param units named unit per candidate; null where none is named
 * @param ect coolant per row, °C, for telling minutes from seconds; null when not known
 */
export function resolveTime(
  table: RowTable,
  candidates: readonly { readonly at: number; readonly unit: string | null }[],
  ect: Float64Array | null,
): ResolvedTime | null {
  const found = candidates
    .map(({ at, unit }) => resolveColumn(table, at, unit, ect))
    .filter((r): r is ResolvedTime => r !== null);
  const combined = combineDateAndClock(
    table,
    candidates.map((c) => c.at),
  );
  if (combined) found.push(combined);
  const clock = found.find((r) => r.clock?.kind === 'date')?.clock ?? found.find((r) => r.clock)?.clock ?? null;
  const score = (r: ResolvedTime): number => {
    const covered = countPresent(r.seconds) / Math.max(1, table.rows);
    const elapsed = r.clock === null ? 0.02 : r.clock.kind === 'date' ? 0.01 : 0;
    return fineness(r.seconds) + covered + elapsed + (r.guessed ? 0 : 0.005);
  };
  const best = found.reduce<ResolvedTime | null>((a, b) => (a && score(a) >= score(b) ? a : b), null);
  return best && { ...best, clock: best.clock ?? clock };
}

/** Middle step between rows, s. */
export function middleStep_s(time_s: Float64Array): number {
  const steps = new Float64Array(Math.max(0, Math.min(20_000, time_s.length - 1)));
  for (let i = 0; i < steps.length; i++) steps[i] = time_s[i + 1]! - time_s[i]!;
  return median(steps.filter((s) => s > 0)) ?? 1;
}
