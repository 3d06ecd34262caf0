import { fahrenheitToCelsius } from '../../base';

/** Where a temperature goes on in another unit: which reading, and how it reads before and after. */
export interface UnitLeap {
  readonly at: number;
  readonly before: number;
  readonly after: number;
}

/** A change of unit lifts or drops a reading by at least this from one to the next. */
const LEAST_LEAP = 10;
/** Fewest readings before and after a change of unit. */
const FEWEST = 3;
/** A leap fits a change of unit when it ends this close, K, to where that would put it. */
const FITS_K = 2;

const middleOfThree = (a: number, b: number, c: number): number =>
  Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));

/** True where any reading stands far from the one before. */
export function hasLeap(values: Float64Array): boolean {
  let last = NaN;
  for (const v of values) {
    if (Number.isNaN(v)) continue;
    if (Math.abs(v - last) >= LEAST_LEAP) return true;
    last = v;
  }
  return false;
}

/**
 * The leap at which readings go over from °C to °F or back. A sender that leaps does so again, or comes back; a unit
 * changes once, and by exactly what units differ.
 *
 * @param values present readings in their order
 */
export function findUnitLeap(values: Float64Array): UnitLeap | null {
  const n = values.length;
  if (n < 2 * FEWEST || !hasLeap(values)) return null;
  // The middle of three: one damaged cell is no leap.
  const inner = (k: number): number => Math.max(1, Math.min(n - 2, k));
  const smooth = values.map((_, k) => middleOfThree(values[inner(k) - 1]!, values[inner(k)]!, values[inner(k) + 1]!));
  let found: UnitLeap | null = null;
  for (let k = 1; k < n; k++) {
    if (Math.abs(smooth[k]! - smooth[k - 1]!) < LEAST_LEAP) continue;
    if (found || k < FEWEST || n - k < FEWEST) return null;
    found = { at: k, before: values[k - 1]!, after: values[k]! };
  }
  if (!found) return null;
  const [low, high] = [found.before, found.after].sort((a, b) => a - b) as [number, number];
  return Math.abs(fahrenheitToCelsius(high) - low) < FITS_K ? found : null;
}
