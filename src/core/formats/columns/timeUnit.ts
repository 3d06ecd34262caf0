import { median, quantile } from 'd3-array';
import { TIME_UNITS_S } from '../words/timeCells';

/** When the log began, as far as its own clock says. */
export interface LogClock {
  /** `date`: seconds since 1970 on the log's clock; `day`: seconds of the day, date unknown. */
  readonly kind: 'date' | 'day';
  readonly start_s: number;
}

/** What a numeric time without a unit is measured in. */
export interface GuessedUnit {
  readonly unit: string;
  readonly clock: LogClock | null;
  /** Other units are as likely: a person must say. */
  readonly open: boolean;
}

const DAY_S = 86_400;
/** Spreadsheets count days from 1899-12-30; 1970-01-01 is day 25569. */
const SERIAL_DAY_OF_1970 = 25_569;
/** A coolant never gains more than this over a whole warm-up, K/s: full load lifts it by about 0.5. */
export const FASTEST_RISE = 0.8;
/** Parts of a second that few loggers count; how often at least those write a row and how long at most they log, s. */
const PARTS = ['1/100 s', '1/10 s'];
const SLOWEST_PARTS_S = 5;
const LONGEST_PARTS_S = 3600;
/** Loggers write a row at least this often, s, and at most this often. */
const SLOWEST_ROW_S = 90;
const FASTEST_ROW_S = 0.004;
/** Logs of one drive last between these, s; a log in whole seconds that seems longer than the last may be in ticks. */
const SHORTEST_S = 20;
const LONGEST_S = 6 * 3600;
const LONG_S = 2 * 3600;
/** Fewest rows whose steps and span say anything. */
const FEWEST_ROWS = 20;
/** A tick is no finer than this step of whole numbers. */
const TICK_STEP = 5;
/** Share of rows at each end that may be wrong. */
const ENDS = 0.02;

/** Numbers of a time column at a glance, whatever a few damaged cells hold. */
function glance(values: Float64Array): { middle: number; step: number; span: number; first: number; count: number } {
  const present = values.filter(Number.isFinite);
  const sorted = Float64Array.from(present).sort();
  const steps: number[] = [];
  for (let i = 1; i < present.length; i++) {
    const step = Math.abs(present[i]! - present[i - 1]!);
    if (step > 0) steps.push(step);
  }
  const low = quantile(sorted, ENDS) ?? NaN;
  const high = quantile(sorted, 1 - ENDS) ?? NaN;
  return {
    middle: quantile(sorted, 0.5) ?? NaN,
    step: median(steps) ?? NaN,
    span: (high - low) / (1 - 2 * ENDS),
    first: present[0] ?? NaN,
    count: present.length,
  };
}

/**
 * Unit of a numeric time that names none, and its zero on the calendar where it has one: the one in which the log
 * steps, lasts and warms up as logs do.
 *
 * @param rise of the coolant over the log, K
 */
export function guessTimeUnit(values: Float64Array, rise: number): GuessedUnit {
  const { middle, step, span, first, count } = glance(values);
  const sure = (unit: string, clock: LogClock | null = null): GuessedUnit => ({ unit, clock, open: false });
  const dated = (factor: number): LogClock => ({ kind: 'date', start_s: first * factor });
  if (middle > 1e17) return sure('ns', dated(1e-9));
  if (middle > 1e14) return sure('µs', dated(1e-6));
  if (middle > 1e11) return sure('ms', dated(1e-3));
  if (middle > 5e8) return sure('s', dated(1));
  const whole = values.every((v) => !Number.isFinite(v) || Number.isInteger(v));
  const asDays = step * DAY_S < SLOWEST_ROW_S && step < FASTEST_ROW_S;
  if (middle > 20_000 && middle < 80_000 && span < 2 && !whole && asDays) {
    return sure('d', { kind: 'date', start_s: (first - SERIAL_DAY_OF_1970) * DAY_S });
  }
  const fits = (unit: string): boolean => {
    const factor = TIME_UNITS_S[unit]!;
    const lasts = span * factor;
    const steps = step * factor;
    return (
      steps >= FASTEST_ROW_S &&
      steps <= (PARTS.includes(unit) ? SLOWEST_PARTS_S : SLOWEST_ROW_S) &&
      lasts >= SHORTEST_S &&
      lasts <= (PARTS.includes(unit) ? LONGEST_PARTS_S : LONGEST_S) &&
      rise <= FASTEST_RISE * lasts
    );
  };
  const chosen = (units: readonly string[]): GuessedUnit | null => {
    const fitting = units.filter(fits);
    const unit = fitting[0];
    if (unit === undefined) return null;
    const clock: LogClock | null =
      unit === 'd' && first >= 0 && first < 1 ? { kind: 'day', start_s: first * DAY_S } : null;
    return { unit, clock, open: fitting.length > 1 };
  };
  if (count < FEWEST_ROWS) return sure(whole && step > SLOWEST_ROW_S ? 'ms' : 's');
  if (fits('s')) {
    const ticks = whole && step >= TICK_STEP && span > LONG_S;
    return { unit: 's', clock: null, open: ticks && PARTS.some(fits) };
  }
  if (whole && step >= TICK_STEP) return chosen(['ms', ...PARTS, 'µs']) ?? sure(step > 1e5 ? 'µs' : 'ms');
  if (step < FASTEST_ROW_S || rise > FASTEST_RISE * span) {
    const isDay = Math.abs(step * DAY_S - Math.round(step * DAY_S)) < 0.02 * step * DAY_S && first >= 0 && first < 2;
    const found = isDay && fits('d') ? chosen(['d']) : chosen(['min', 'h', 'd']);
    if (found) return found;
  }
  return sure('s');
}
