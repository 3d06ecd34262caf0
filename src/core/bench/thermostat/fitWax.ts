import { deviation, mean } from 'd3-array';
import { walk } from '../../fit';
import { studentLog } from '../../signal';
import type { Seen } from './look';
import type { PlacedReading } from './reading';
import type { Figure, ThermostatTest } from './types';
import { logLikelihood, waxTemperatures, type Wax } from './waxModel';

/** Lag of wax behind its water, s, and its spread as a factor: 8 to 25 s. Source: domain figures for waxes. */
export const LAG = { middle_s: 14, factor: 1.5 } as const;
/** What one lag leaves out of real wax: per K/s of heating, s; and without any heating, K. */
const MODEL_SD = { lag_s: 2.5, still_k: 0.6 } as const;
/** Share of the stories that fit in which full lift was reached, for it to be told. */
const FULL_SURE = 0.8;

const POSITION = { opens: 0, span: 1, hysteresis: 2, lag: 3, lift: 4, rounded: 5 } as const;

const waxOf = (x: Float64Array): Wax => ({
  opens_c: x[POSITION.opens]!,
  span_k: x[POSITION.span]!,
  hysteresis_k: x[POSITION.hysteresis]!,
  lag_s: Math.exp(x[POSITION.lag]!),
  lift_mm: x[POSITION.lift]!,
  rounded: x[POSITION.rounded]!,
});

/** Span from opening to full lift where the stamp does not say, K. Source: fully open 10 to 15 °C higher. */
const USUAL_SPAN_K = 12.5;
/** A valve that moved opens near its stamp, or anywhere; weights and widths, K. */
const OPENING_PRIOR = { near: 0.7, nearSd_k: 2, anywhereSd_k: 15 } as const;

function logPrior(x: Float64Array, test: ThermostatTest, liftSeen_mm: number | null): number {
  const { opens_c, span_k, hysteresis_k, lift_mm, rounded } = waxOf(x);
  if (span_k < 2 || span_k > 40 || hysteresis_k < 0 || hysteresis_k > 15) return -Infinity;
  if (lift_mm < 1 || lift_mm > 25 || rounded < 0 || rounded > 2) return -Infinity;
  const { near, nearSd_k, anywhereSd_k } = OPENING_PRIOR;
  const off = opens_c - test.rated_c;
  const normal = (z: number, sd: number) => Math.exp(-0.5 * (z / sd) ** 2) / sd;
  const span = test.fullOpen_c === null ? USUAL_SPAN_K : test.fullOpen_c - test.rated_c;
  return (
    Math.log(near * normal(off, nearSd_k) + (1 - near) * normal(off, anywhereSd_k) + 1e-12) +
    studentLog(span_k - span, 3) +
    // Source: close 2 to 5 °C below the opening curve.
    studentLog(hysteresis_k - 3.5, 1.5) -
    0.5 * ((x[POSITION.lag]! - Math.log(LAG.middle_s)) / Math.log(LAG.factor)) ** 2 +
    // Source: lift of 7 to 10 mm; one that was seen goes before that.
    studentLog(lift_mm - Math.max(8.5, liftSeen_mm ?? 0), 1.5)
  );
}

/** Readings that matter, thinned evenly: a log at ten a second says no more than one every few seconds. */
const MOST_FITTED = 80;
function thinned(readings: readonly PlacedReading[]): readonly PlacedReading[] {
  if (readings.length <= MOST_FITTED) return readings;
  const step = readings.length / MOST_FITTED;
  const even = new Set(Array.from({ length: MOST_FITTED }, (_, i) => Math.round(i * step)));
  // What was seen by eye is never dropped: there is little of it.
  return readings.filter((r, i) => even.has(i) || i === readings.length - 1 || r.state !== null);
}

const figureOf = (values: readonly number[], ...also: readonly number[]): Figure => ({
  value: mean(values)!,
  sd: Math.hypot(deviation(values) ?? 0, ...also),
});

/** The figures of a valve that was seen to move. */
export interface Fitted {
  readonly opens_c: Figure;
  readonly full_c: Figure | null;
  readonly closes_c: Figure | null;
  readonly hysteresis_k: Figure | null;
  readonly lift_mm: Figure | null;
  readonly heating_kps: number;
}

/** Rate at which the water was heated over the half minute around an index, K/s. */
function rateAt(readings: readonly PlacedReading[], i: number): number {
  const at = readings[i]!.t_s;
  const near = readings.filter((r) => Math.abs(r.t_s - at) <= 20);
  const [a, b] = near.length >= 2 ? [near[0]!, near.at(-1)!] : [readings[Math.max(0, i - 1)]!, readings[i]!];
  return b.t_s > a.t_s ? (b.water_c - a.water_c) / (b.t_s - a.t_s) : 0;
}

/** Fits the wax to what was seen, and states what one lag leaves out beside what the readings leave open. */
export function fitWax(readings: readonly PlacedReading[], seen: Seen, test: ThermostatTest): Fitted {
  const few = thinned(readings);
  const rate = rateAt(readings, seen.firstMoved);
  // Warming, the wax is behind below; cooling, it is behind above, and the closing curve lies lower.
  const first = readings[seen.firstMoved]!.water_c - rate * LAG.middle_s + (rate < 0 ? 3.5 : -1);
  const span = test.fullOpen_c === null ? USUAL_SPAN_K : test.fullOpen_c - test.rated_c;
  const start = [
    first,
    Math.min(35, Math.max(3, span)),
    3.5,
    Math.log(LAG.middle_s),
    Math.max(7, seen.liftSeen_mm ?? 8.5),
    1,
  ];
  const samples = walk(
    (x) => {
      const prior = logPrior(x, test, seen.liftSeen_mm);
      return prior === -Infinity ? prior : prior + logLikelihood(few, waxOf(x));
    },
    start,
    [1, 2, 1, 0.3, 0.7, 0.3],
  ).map(waxOf);
  const { thermometerSd_k } = test;
  // Full lift was reached where nearly every story that fits has the wax past the end of its span.
  const reached = (w: Wax) => Math.max(...waxTemperatures(few, w.lag_s)) >= w.opens_c + w.span_k;
  const full = seen.saysOpen || mean(samples, (w) => (reached(w) ? 1 : 0))! > FULL_SURE;
  const fast = Math.abs(rate) * MODEL_SD.lag_s;
  const cooling = Math.abs(
    Math.min(0, ...few.map((_, i) => (i > 0 ? rateAt(few, i) : 0)).slice(-Math.ceil(few.length / 4))),
  );
  const opens_c = figureOf(
    samples.map((s) => s.opens_c),
    thermometerSd_k,
    fast,
    MODEL_SD.still_k,
  );
  return {
    opens_c,
    full_c: full
      ? figureOf(
          samples.map((s) => s.opens_c + s.span_k),
          thermometerSd_k,
          fast,
          2 * MODEL_SD.still_k,
        )
      : null,
    closes_c: seen.closing
      ? figureOf(
          samples.map((s) => s.opens_c - s.hysteresis_k),
          thermometerSd_k,
          Math.min(1, cooling) * MODEL_SD.lag_s,
          seen.reseated ? MODEL_SD.still_k : 2 * MODEL_SD.still_k,
        )
      : null,
    hysteresis_k: seen.closing
      ? figureOf(
          samples.map((s) => s.hysteresis_k),
          fast,
          MODEL_SD.still_k,
        )
      : null,
    lift_mm:
      full && seen.liftSeen_mm !== null
        ? figureOf(
            samples.map((s) => s.lift_mm),
            0.1,
          )
        : null,
    heating_kps: rate,
  };
}
