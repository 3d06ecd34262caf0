import { perCause, type PerCause } from '../base';
import { sharedGaussian, studentLog } from '../signal';
import { driftedReading } from './drift';
import { COMMON_SENDER, readingWithFault, type NtcCurve } from './ntc';
import { curveOf, type CurvePoint } from './resistanceCheck';

/**
 * How a wrong sender errs at one true temperature, with its severities integrated out. Ranges: offsets of 4 to 30 K, 15
 * to 500 Ω in the plug and 500 to 15000 Ω across the sender, as the judge fits; a drift of 0.06 to 0.4 K/K, decision 37.
 */
const OFFSETS_K = Array.from({ length: 27 }, (_, i) => 4 + i);
const PLUG_OHM = Array.from({ length: 14 }, (_, i) => 15 * (500 / 15) ** (i / 13));
const LEAK_OHM = Array.from({ length: 14 }, (_, i) => 500 * 30 ** (i / 13));
const DRIFTS = Array.from({ length: 14 }, (_, i) => 0.06 + (0.34 * i) / 13);
/** How far senders of one part scatter about their own curve, and how far families lie apart, K. */
export const OWN_CURVE_SD_K = 1.5;
export const FAMILY_SD_K = 30;
/** Shares of the ways of a sender that reads low or high: an offset, an element that drifted, wiring (docs/causes.md). */
const SHARES = { offset: 0.45, drift: 0.2, wiring: 0.35 } as const;
/** A frozen, broken or unrelated reading lies anywhere in this range, K, and as one standard deviation. */
const ANYWHERE_K = 120;
const ANYWHERE_SD_K = 55;

/** Errors that a sender may show at several temperatures at once, with their weight. */
export interface ErrorPattern {
  readonly weight: number;
  /** Reading minus truth at each temperature, K. */
  readonly errors_k: readonly number[];
}

const evenly = (patterns: readonly (readonly number[])[], weight: number): ErrorPattern[] =>
  patterns.map((errors_k) => ({ errors_k, weight: weight / patterns.length }));

function wired(at_c: readonly number[], curve: NtcCurve, ohms: readonly number[], series: boolean): number[][] {
  return ohms.map((ohm) =>
    at_c.map((t) => {
      const fault = series ? { series_ohm: ohm, parallel_ohm: Infinity } : { series_ohm: 0, parallel_ohm: ohm };
      return readingWithFault(t, fault, curve) - t;
    }),
  );
}

/** Where wiring is measured too, or only the bare element. */
export type ReadAt = 'reading' | 'element';

/** The error patterns of a sender that reads low (`-1`) or high (`1`) at given true temperatures. */
export function errorPatterns(
  at_c: readonly number[],
  side: -1 | 1,
  senderPoints: readonly CurvePoint[],
  where: ReadAt = 'reading',
): ErrorPattern[] {
  const offsets = OFFSETS_K.map((k) => at_c.map(() => side * k));
  const curve = senderPoints.length < 3 ? COMMON_SENDER.curve : curveOf(senderPoints).curve;
  const wiring =
    where === 'element'
      ? [at_c.map(() => 0)]
      : side < 0
        ? wired(at_c, curve, PLUG_OHM, true)
        : wired(at_c, curve, LEAK_OHM, false);
  const drifts = DRIFTS.map((drift) => at_c.map((t) => driftedReading(t, side * drift) - t));
  return [...evenly(offsets, SHARES.offset), ...evenly(drifts, SHARES.drift), ...evenly(wiring, SHARES.wiring)];
}

/** What is read: errors at true temperatures with their standard uncertainties. */
export interface ReadErrors {
  readonly at_c: readonly number[];
  readonly errors_k: readonly number[];
  /** What is new in each reading. */
  readonly sds_k: readonly number[];
  /** What the readings have alike, as far as it stands in each: an instrument's bias, a part's scatter. */
  readonly shared_k?: readonly (readonly number[])[];
}

type Density = (expected_k: readonly number[], common_k?: number) => number;

/** How often a reading is a slip of pen or eye, and so says nothing. */
const SLIP = 0.003;

/**
 * Density of the readings about what is expected of them. One reading alone has a normal core and wide tails; of several
 * the spread about each other speaks too, and one set in some hundreds holds a slip.
 */
function densityOf({ errors_k, sds_k, shared_k = [] }: ReadErrors, anywhere: number): Density {
  const [error_k] = errors_k;
  if (errors_k.length === 1) {
    const sd = Math.hypot(sds_k[0]!, ...shared_k.map(([u]) => u!));
    return ([expected_k], common_k = 0) => Math.exp(studentLog(error_k! - expected_k! - common_k, sd));
  }
  const joint = sharedGaussian(sds_k, shared_k);
  return (expected_k, common_k = 0) =>
    (1 - SLIP) * Math.exp(joint(errors_k.map((e, i) => e - expected_k[i]! - common_k))) + SLIP * anywhere;
}

/** Density of readings that have nothing to do with the coolant, as the instruments show them. */
function anywhereDensity({ errors_k, sds_k, shared_k = [] }: ReadErrors): number {
  if (errors_k.length === 1) {
    // As flat as the range is wide, or as blunt as the instrument is.
    return 1 / Math.hypot(ANYWHERE_K, Math.sqrt(2 * Math.PI) * Math.hypot(sds_k[0]!, ...shared_k.map(([u]) => u!)));
  }
  const off_k = sds_k.map((sd) => Math.hypot(sd, ANYWHERE_SD_K));
  return Math.exp(sharedGaussian(off_k, shared_k)(errors_k));
}

/** Distribution of an error that all readings share, such as that of a curve of unknown family. */
export interface CommonError {
  readonly sd_k: number;
}

const STEPS = 31;

/** Mean over a common error, K; a single value where there is none. */
function overCommon(common: CommonError | null, of: (common_k: number) => number): number {
  if (!common) return of(0);
  let sum = 0;
  let total = 0;
  for (let i = 0; i < STEPS; i++) {
    const z = (6 * i) / (STEPS - 1) - 3;
    const weight = Math.exp(-0.5 * z * z);
    total += weight;
    sum += weight * of(z * common.sd_k);
  }
  return sum / total;
}

/** Likelihood of reading errors per cause. Causes that leave the sender alone show the instruments' scatter only. */
export function senderErrorLikelihood(
  read: ReadErrors,
  senderPoints: readonly CurvePoint[],
  options: { readonly where?: ReadAt; readonly common?: CommonError | null } = {},
): PerCause<number> {
  const { where = 'reading', common = null } = options;
  const none = read.at_c.map(() => 0);
  const anywhere = anywhereDensity(read);
  const density = densityOf(read, anywhere);
  const sound = overCommon(common, (k) => density(none, k));
  const off = (side: -1 | 1) => {
    const patterns = errorPatterns(read.at_c, side, senderPoints, where);
    return overCommon(common, (k) => patterns.reduce((sum, p) => sum + p.weight * density(p.errors_k, k), 0));
  };
  const low = off(-1);
  const high = off(1);
  return perCause((cause) => {
    if (cause === 'sender-reads-low') return low;
    if (cause === 'sender-reads-high') return high;
    if (cause === 'sender-stuck') return 0.3 * sound + 0.7 * anywhere;
    if (cause === 'sender-intermittent') return 0.85 * sound + 0.15 * anywhere;
    return sound;
  });
}
