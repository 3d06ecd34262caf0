import { PART_SD_K, type FaultNodes } from './nodes';
import type { ApparentReading } from './reading';

/** Where to measure next, and what it would tell. */
export interface NextPoint {
  readonly at_c: number;
  readonly gain_bits: number;
}

interface Predicted {
  readonly probability: number;
  readonly mean: number;
  readonly sd: number;
}

/** What each fault expects of a reading at a temperature. */
function predictedAt(all: readonly FaultNodes[], odds: readonly number[], at_c: number): Predicted[] {
  return all.map(({ nodes }, i) => {
    const errors = nodes.map((n) => n.errorAt(at_c, true));
    const total = nodes.reduce((sum, n) => sum + n.weight, 0);
    const mean = errors.reduce((sum, e, k) => sum + nodes[k]!.weight * e, 0) / total;
    const variance = errors.reduce((sum, e, k) => sum + nodes[k]!.weight * (e - mean) ** 2, 0) / total;
    return { probability: odds[i]!, mean, sd: Math.sqrt(variance + PART_SD_K ** 2) };
  });
}

/** Temperatures that a bench can make: ice water to boiling, °C. */
const BENCH_C = [0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100] as const;
/** A point nearer to one that was measured tells little that a repeat would not, K. */
const APART_K = 8;
/** Points of the sum over possible readings. */
const SUMMED = 120;
const WORTH_BITS = 0.03;

/** How much a reading at a temperature would tell about which fault it is, bits. */
function gainAt(predicted: readonly Predicted[], reading_sd: number): number {
  const live = predicted.filter((p) => p.probability > 1e-4);
  const sds = live.map((p) => Math.hypot(p.sd, reading_sd));
  const from = Math.min(...live.map((p, i) => p.mean - 4 * sds[i]!));
  const to = Math.max(...live.map((p, i) => p.mean + 4 * sds[i]!));
  const step = (to - from) / SUMMED;
  let gain = 0;
  for (let k = 0; k <= SUMMED; k++) {
    const e = from + k * step;
    const densities = live.map(
      (p, i) => Math.exp(-0.5 * ((e - p.mean) / sds[i]!) ** 2) / (sds[i]! * Math.sqrt(2 * Math.PI)),
    );
    const mixture = live.reduce((sum, p, i) => sum + p.probability * densities[i]!, 0);
    live.forEach((p, i) => {
      if (densities[i]! > 0 && mixture > 0)
        gain += step * p.probability * densities[i]! * Math.log2(densities[i]! / mixture);
    });
  }
  return Math.max(0, gain);
}

/** The temperature at which one more reading would tell most about which fault it is; null where none would tell much. */
export function nextPoint(
  all: readonly FaultNodes[],
  odds: readonly number[],
  points: readonly ApparentReading[],
): NextPoint | null {
  const sd = points.length === 0 ? 1 : Math.min(...points.map((p) => p.sd_k));
  const worth = BENCH_C.filter((c) => points.every((p) => Math.abs(p.true_c - c) >= APART_K)).map((at_c) => ({
    at_c,
    gain_bits: gainAt(predictedAt(all, odds, at_c), sd),
  }));
  const best = worth.reduce<NextPoint | null>((a, b) => (a && a.gain_bits >= b.gain_bits ? a : b), null);
  return best && best.gain_bits >= WORTH_BITS ? best : null;
}
