import { CHANNEL_NAMES, type ChannelName, type Trace } from '../base';
import { resample } from '../signal';
import type { LoggedSeries } from './buildSeries';
import type { LogClock } from './columns/timeUnit';

/** Where a second log lies on the time of a trace. */
export interface Alignment {
  /** Seconds to add to the second log's time. */
  readonly offset_s: number;
  readonly by: 'clock' | 'curve' | 'hand';
  /** How well the curves match there, 0 to 1; 1 for clocks, 0 where a person placed it. */
  readonly match: number;
}

const DAY_S = 86_400;
/** Step of the search, s, of its refinement, and how far that looks around. */
const COARSE_S = 10;
const FINE_S = 2;
const AROUND_S = 90;
/** Width over which a rate of change is taken, s. */
const RATE_OVER_S = 60;
/** Least change of a second log for a change of 1 K of the coolant that counts as following it. */
const FOLLOWS = 0.8;
/** Least time that two logs must share, s. */
const LEAST_SHARED_S = 300;

/** Lays two logs on one time by their clocks; null where they name no common one or do not overlap. */
export function alignByClock(
  trace: { readonly clock: LogClock | null; readonly length_s: number },
  series: LoggedSeries,
): Alignment | null {
  const { clock } = trace;
  if (!clock || !series.clock) return null;
  let offset_s = series.clock.start_s - clock.start_s;
  // A clock without a date is as good on any day: the nearest one is meant.
  if (clock.kind === 'day' || series.clock.kind === 'day') offset_s -= DAY_S * Math.round(offset_s / DAY_S);
  const length_s = series.time_s.at(-1)! - series.time_s[0]!;
  return offset_s < trace.length_s && offset_s + length_s > 0 ? { offset_s, by: 'clock', match: 1 } : null;
}

interface Curve {
  readonly time_s: Float64Array;
  readonly values: Float64Array;
}

/** A curve at given times; NaN before its first and after its last reading. */
function within({ time_s, values }: Curve, at_s: Float64Array): Float64Array {
  const first = time_s[0]!;
  const last = time_s.at(-1)!;
  return resample(time_s, values, at_s).map((v, i) => (at_s[i]! < first || at_s[i]! > last ? NaN : v));
}

const gridded = (curve: Curve, from_s: number, step_s: number, n: number): Float64Array =>
  within(
    curve,
    Float64Array.from({ length: n }, (_, i) => from_s + i * step_s),
  );

const ratesOf = (values: Float64Array, step_s: number): Float64Array => {
  const lag = Math.max(1, Math.round(RATE_OVER_S / step_s));
  return values.map((v, i) => (i < lag ? NaN : v - values[i - lag]!));
};

/** How two curves go together. */
interface Likeness {
  /** Correlation where both read. */
  readonly match: number;
  /** Change of the second for a change of 1 of the first. */
  readonly slope: number;
  /** How much of the second's own movement the first accounts for: small where only quiet stretches meet. */
  readonly explained: number;
}

/** Compares two curves where both read; null with too little in common. */
function likeness(a: Float64Array, b: Float64Array, least: number): Likeness | null {
  let n = 0;
  let sumA = 0;
  let sumB = 0;
  let sumAA = 0;
  let sumBB = 0;
  let sumAB = 0;
  for (let i = 0; i < a.length; i++) {
    const x = a[i]!;
    const y = b[i]!;
    if (!Number.isFinite(x) || !Number.isFinite(y)) continue;
    n++;
    sumA += x;
    sumB += y;
    sumAA += x * x;
    sumBB += y * y;
    sumAB += x * y;
  }
  const varianceA = sumAA - (sumA * sumA) / n;
  const varianceB = sumBB - (sumB * sumB) / n;
  if (n < least || !(varianceA > 1e-9) || !(varianceB > 1e-9)) return null;
  const covariance = sumAB - (sumA * sumB) / n;
  return {
    match: covariance / Math.sqrt(varianceA * varianceB),
    slope: covariance / varianceA,
    explained: covariance ** 2 / varianceA,
  };
}

interface Found extends Likeness {
  readonly offset_s: number;
}

/** 1 where both move by as much, less the further they differ. */
const sameSize = (slope: number): number => Math.sqrt(Math.min(slope, 1 / slope));

/**
 * What follows the coolant degree by degree (the housing) follows it at once; a hose or a heater that only warms in part
 * comes later, however alike its curve.
 */
const trust = ({ match, slope }: Likeness): number => match * sameSize(slope);

/** The best offset within a range by the rates of change of both curves. */
function search(
  ect: Curve,
  other: Curve,
  range: readonly [number, number],
  how: { readonly step_s: number; readonly by: (likeness: Likeness) => number },
): Found | null {
  const { step_s, by } = how;
  const n = Math.ceil(ect.time_s.at(-1)! / step_s) + 1;
  const wanted = ratesOf(gridded(ect, 0, step_s, n), step_s);
  let best: Found | null = null;
  for (let offset_s = range[0]; offset_s <= range[1]; offset_s += step_s) {
    const seen = ratesOf(gridded(other, -offset_s, step_s, n), step_s);
    const found = likeness(wanted, seen, LEAST_SHARED_S / step_s);
    if (found && found.match > 0 && by(found) > (best ? by(best) : 0)) best = { ...found, offset_s };
  }
  return best;
}

const present = (time_s: Float64Array, values: Float64Array): Curve => {
  const keep = Array.from(values.keys()).filter((i) => Number.isFinite(values[i]!));
  return { time_s: Float64Array.from(keep, (i) => time_s[i]!), values: Float64Array.from(keep, (i) => values[i]!) };
};

/**
 * Lays a second log on the time of a trace by its curves: each of its temperatures is tried against the coolant, and
 * the one that goes with it best decides. Null where nothing goes together.
 */
export function alignByCurve(trace: Trace, series: LoggedSeries): Alignment | null {
  const ect = present(trace.time_s, trace.channels.ect_c);
  const length_s = series.time_s.at(-1)!;
  const range = [LEAST_SHARED_S - length_s, ect.time_s.at(-1)! - LEAST_SHARED_S] as const;
  let best: (Found & { readonly other: Curve }) | null = null;
  for (const column of series.columns) {
    const other = present(series.time_s, column.values_c);
    if (other.values.length < 3) continue;
    // Far off, what is accounted for decides: short stretches of plateau ripple alike anywhere. Near by, correlation
    // does: it does not mind where a log begins.
    const coarse = search(ect, other, range, { step_s: COARSE_S, by: (l) => l.explained * sameSize(l.slope) });
    if (!coarse) continue;
    const around = [coarse.offset_s - AROUND_S, coarse.offset_s + AROUND_S] as const;
    const alike = search(ect, other, around, { step_s: FINE_S, by: (l) => l.match }) ?? coarse;
    // A bare warm-up looks like itself a little later, only smaller: where the sensor follows degree by degree, its
    // size tells which it is.
    const follows = alike.slope > FOLLOWS && alike.slope < 1 / FOLLOWS;
    const fine = (follows && search(ect, other, around, { step_s: FINE_S, by: trust })) || alike;
    if (!best || trust(fine) > trust(best)) best = { ...fine, other };
  }
  if (!best) return null;
  // Rates of rounded readings are rough: how well the curves match is told by the readings themselves.
  const n = Math.ceil(ect.time_s.at(-1)! / COARSE_S) + 1;
  const levels = likeness(gridded(ect, 0, COARSE_S, n), gridded(best.other, -best.offset_s, COARSE_S, n), 2);
  return { offset_s: best.offset_s, by: 'curve', match: Math.max(0, levels?.match ?? 0) };
}

/** Where a second log may lie on a trace: by the clocks of both, and by their curves; null where one does not tell. */
export function placeSeries(
  trace: Trace,
  clock: LogClock | null,
  series: LoggedSeries,
): { readonly byClock: Alignment | null; readonly byCurve: Alignment | null } {
  return {
    byClock: alignByClock({ clock, length_s: trace.time_s.at(-1) ?? 0 }, series),
    byCurve: alignByCurve(trace, series),
  };
}

/**
 * Puts columns of a second log on the time of a trace as channels of it.
 *
 * @param channels which column, by number, becomes which channel
 */
export function layBeside(
  trace: Trace,
  series: LoggedSeries,
  offset_s: number,
  channels: Readonly<Record<number, ChannelName>>,
): Trace {
  const added: Partial<Record<ChannelName, Float64Array>> = {};
  const at_s = trace.time_s.map((t) => t - offset_s);
  for (const [index, channel] of Object.entries(channels)) {
    const column = series.columns[Number(index)];
    if (!column) continue;
    added[channel] = within(present(series.time_s, column.values_c), at_s);
  }
  const merged: Partial<Record<ChannelName, Float64Array>> = {};
  for (const name of CHANNEL_NAMES) {
    const values = added[name] ?? trace.channels[name];
    if (values) merged[name] = values;
  }
  return { ...trace, channels: { ...merged, ect_c: trace.channels.ect_c } };
}
