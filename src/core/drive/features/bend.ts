import { Matrix, solve } from 'ml-matrix';
import { GRID_S, type DriveSeries, type Smoothed } from '../driveSeries';

/** Where a warm-up bends: the thermostat begins to let coolant through. */
export interface Bend {
  readonly at_s: number;
  readonly atSd_s: number;
  readonly reading_c: number;
  readonly readingSd_k: number;
}

/** When the models that explain the drive let it open: mean, spread between them, and their share of the odds. */
export interface OpeningHint {
  readonly share: number;
  readonly at_s: number | null;
  readonly sd_s: number;
}

/** Coolant takes up heat by a share of the fuel that falls with load (plant and twin: 0.74...0.87). */
const FUEL_EXPONENT = 0.87;
/** Heat shows in the reading after the head (fast) and the block (slow), s. Middle of usual engines. */
const FAST_S = 15;
const SLOW_S = 90;
/** Stretch before and after a candidate that it is judged by, s. */
const BEFORE_S = 240;
const AFTER_S = 90;
/** Models must be this sure that it opens, agree this well, and the trace must show it this near to where they say. */
const LEAST_SHARE = 0.85;
const MOST_SPREAD_S = 8;
const NEAR_S = 40;
/**
 * Drop of the climb against its scatter from which a bend is one, K/min per K. Where the heat is not known the models
 * have less to go by, and the trace itself must be plainer.
 */
const LEAST_SHARPNESS = 8;
const LEAST_SHARPNESS_UNKNOWN_HEAT = 16;
/** Another bend this far before is another one, s; colder ones are the engine's first minutes. */
const APART_S = 90;
const BENDS_FROM_C = 30;
const BENDS_ABOVE_START_K = 15;
/** Weight of the models' moment against the trace's own, and the scatter that remains, s: measured on plant traces. */
const MODEL_WEIGHT = 0.8;
const SCATTER_S = 10;

/** First-order lag of a series, then its running sum. */
function laggedSum(values: Float64Array, lag_s: number): Float64Array {
  const out = new Float64Array(values.length);
  let lagged = values[0] ?? 0;
  let sum = 0;
  for (let i = 0; i < values.length; i++) {
    const v = values[i]!;
    if (Number.isFinite(v)) lagged += (v - lagged) * (GRID_S / (lag_s + GRID_S));
    sum += lagged * GRID_S;
    out[i] = sum;
  }
  return out;
}

interface Candidate {
  readonly at: number;
  /** Change of the climb there, K/min, at like heat; negative where it flattens. */
  readonly change_kpmin: number;
  readonly scatter_k: number;
}

/** How sharp a bend is: the drop of the climb against the scatter around it. */
const sharpness = (c: Candidate): number => -c.change_kpmin / c.scatter_k;

const COLUMNS = 6;
/** Ridge on each column: keeps fast and slow heat, which are nearly alike on a steady drive, from running apart. */
const RIDGE = [0, 0.02, 0.02, 0.01, 0, 0.5] as const;

/**
 * Fits the reading around one second by what heat went in, a steady trend, and a bend there that may soften.
 * Continuous piecewise regression with one breakpoint (Muggeo 2003), the breakpoint given.
 */
function candidateAt(reading_c: Float64Array, fast: Float64Array, slow: Float64Array, at: number): Candidate | null {
  const from = Math.max(5, at - BEFORE_S / GRID_S);
  const to = Math.min(reading_c.length - 1, at + AFTER_S / GRID_S);
  if (at - from < 40 || to - at < 30 || !Number.isFinite(reading_c[from]!)) return null;
  const normal = Matrix.zeros(COLUMNS, COLUMNS);
  const right = Matrix.zeros(COLUMNS, 1);
  const row = new Float64Array(COLUMNS);
  const rowAt = (i: number): void => {
    const after_min = (Math.max(0, i - at) * GRID_S) / 60;
    row[0] = 1;
    row[1] = (fast[i]! - fast[from]!) / 1000;
    row[2] = (slow[i]! - slow[from]!) / 1000;
    row[3] = ((i - from) * GRID_S) / 100;
    row[4] = after_min;
    row[5] = after_min * after_min;
  };
  let count = 0;
  for (let i = from; i <= to; i++) {
    const y = reading_c[i]! - reading_c[from]!;
    if (!Number.isFinite(y)) continue;
    rowAt(i);
    count++;
    for (let a = 0; a < COLUMNS; a++) {
      right.set(a, 0, right.get(a, 0) + row[a]! * y);
      for (let b = 0; b < COLUMNS; b++) normal.set(a, b, normal.get(a, b) + row[a]! * row[b]!);
    }
  }
  if (count < 60) return null;
  RIDGE.forEach((r, a) => normal.set(a, a, normal.get(a, a) + r));
  const found = solve(normal, right);
  let squares = 0;
  for (let i = from; i <= to; i++) {
    const y = reading_c[i]! - reading_c[from]!;
    if (!Number.isFinite(y)) continue;
    rowAt(i);
    let predicted = 0;
    for (let a = 0; a < COLUMNS; a++) predicted += row[a]! * found.get(a, 0);
    squares += (y - predicted) ** 2;
  }
  return { at, change_kpmin: found.get(4, 0), scatter_k: Math.sqrt(squares / count + 0.05) };
}

/** How long before the bend its climb is looked at, s. */
const CLIMB_S = 45;

/** Readings around the bend that tell its temperature, s to each side: a smoother one would cut off its corner. */
const CORNER_S = 5;

function meanAround(reading_c: Float64Array, at: number): number {
  const near = reading_c.slice(Math.max(0, at - CORNER_S), at + CORNER_S + 1).filter(Number.isFinite);
  return near.reduce((a, b) => a + b, 0) / near.length;
}

/**
 * The bend of a warm-up: where the climb flattens at like heat, near where the models that explain the drive let the
 * thermostat open. A change of load flattens a climb as well, so the trace alone does not tell; the models alone lean on
 * a middling car.
 *
 * @param hint of the judged drive; null when it was not judged
 */
export function findBend(
  series: DriveSeries,
  smooth: Smoothed,
  hint: OpeningHint | null,
): { readonly found: Bend | null; readonly why: string } {
  const none = (why: string) => ({ found: null, why });
  if (!hint) return none('The drive has not been judged yet.');
  if (hint.at_s === null || hint.share < LEAST_SHARE) {
    return none(
      hint.share < 0.15
        ? 'The thermostat does not open on this drive, by all that explains it.'
        : 'Whether the thermostat opened on this drive is open: what explains it disagrees.',
    );
  }
  if (hint.sd_s > MOST_SPREAD_S) return none('What explains the drive lets it open at different times.');
  const heat = series.fuel_kw
    ? series.fuel_kw.map((f) => Math.max(0, f) ** FUEL_EXPONENT)
    : new Float64Array(series.time_s.length).fill(10);
  const fast = laggedSum(heat, FAST_S);
  const slow = laggedSum(heat, SLOW_S);
  const middle = Math.round(hint.at_s / GRID_S);
  const sharpest = (from: number, to: number, step: number, counts: (at: number) => boolean): Candidate | null => {
    let best: Candidate | null = null;
    for (let at = from; at <= to; at += step) {
      const c = counts(at) ? candidateAt(series.reading_c, fast, slow, at) : null;
      if (c && (!best || sharpness(c) > sharpness(best))) best = c;
    }
    return best;
  };
  const best = sharpest(middle - NEAR_S, middle + NEAR_S, 4, () => true);
  const needed = series.fuel_kw ? LEAST_SHARPNESS : LEAST_SHARPNESS_UNKNOWN_HEAT;
  if (!best || sharpness(best) < needed) {
    return none('The climb has no clear bend: it opened too slowly, or at too little heat.');
  }
  const start_c = series.reading_c.find(Number.isFinite) ?? NaN;
  const warms = (at: number) => smooth.level_c[at]! > Math.max(BENDS_FROM_C, start_c + BENDS_ABOVE_START_K);
  const before = sharpest(0, Math.min(middle, best.at) - APART_S, 6, warms);
  if (before && sharpness(before) >= sharpness(best)) {
    return none('The climb bends as sharply earlier on: which of the two is the opening cannot be told.');
  }
  const apart_s = best.at * GRID_S - hint.at_s;
  const at_s = hint.at_s + (1 - MODEL_WEIGHT) * apart_s;
  const atSd_s = Math.hypot(SCATTER_S, 0.5 * hint.sd_s, 0.3 * apart_s);
  const at = Math.round(at_s / GRID_S);
  const reading_c = meanAround(series.reading_c, at);
  if (!Number.isFinite(reading_c)) return none('The reading is missing where it should bend.');
  // Before the bend the reading climbs: an error of the moment is one of the temperature.
  const climb = smooth.slope.slice(Math.max(0, at - CLIMB_S), at + 1).reduce((most, v) => (v > most ? v : most), 0);
  return { found: { at_s, atSd_s, reading_c, readingSd_k: Math.hypot(0.4, 0.6 * climb * atSd_s) }, why: '' };
}
