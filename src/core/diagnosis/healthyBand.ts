import { quantileSorted } from 'd3-array';
import { parameterIndex, VEHICLE_PARAMETER_COUNT } from '../twin';
import type { Hypothesis } from './hypotheses';
import { firstGuess, predictReading, vectorSize, type TraceProblem } from './traceFit';

/** Draws of the prior that the band is made of. */
const DRAWS = 48;

/**
 * Deterministic standard normal points: a golden-ratio sequence through the inverse normal (Acklam's rational
 * approximation, error below 1.2e-9 relative; here the central part and tails as published).
 */
function inverseNormal(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
  ] as const;
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572] as const;
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ] as const;
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416] as const;
  if (p < 0.02425 || p > 0.97575) {
    const q = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
    const x =
      (((((c[0] * q + c[1]) * q + c[2]) * q + c[3]) * q + c[4]) * q + c[5]) /
      ((((d[0] * q + d[1]) * q + d[2]) * q + d[3]) * q + 1);
    return p < 0.5 ? x : -x;
  }
  const q = p - 0.5;
  const r = q * q;
  return (
    ((((((a[0] * r + a[1]) * r + a[2]) * r + a[3]) * r + a[4]) * r + a[5]) * q) /
    (((((b[0] * r + b[1]) * r + b[2]) * r + b[3]) * r + b[4]) * r + 1)
  );
}

/** The prediction for a sound vehicle of this type on this drive, before its trace is seen. */
export interface Band {
  readonly low_c: Float64Array;
  readonly mid_c: Float64Array;
  readonly high_c: Float64Array;
}

/** 10th, 50th and 90th percentile of the reading over the priors of a hypothesis, per bin. */
export function predictBand(problem: TraceProblem, hypothesis: Hypothesis): Band {
  const size = vectorSize(problem, hypothesis);
  const base = firstGuess(problem, hypothesis, hypothesis.starts[0]!);
  const keep = [parameterIndex('startExcess'), ...(problem.inputs.ambientSd_k > 5 ? [parameterIndex('ambient')] : [])];
  const bins = problem.inputs.bins;
  const runs: Float64Array[] = [];
  for (let d = 0; d < DRAWS; d++) {
    const z = new Float64Array(size);
    for (let i = 0; i < size; i++) {
      // Each coordinate walks its own irrational rotation (square roots of primes would do as well).
      const step = (Math.sqrt(5 + 3 * i) % 1) + 1e-3;
      z[i] = inverseNormal(Math.min(0.995, Math.max(0.005, (0.5 + (d + 1) * step) % 1)));
    }
    for (const i of keep) z[i] = base[i]!;
    for (let i = VEHICLE_PARAMETER_COUNT + problem.prior.knotCount; i < size; i++) z[i] = base[i]!;
    runs.push(Float64Array.from(predictReading(problem, hypothesis, z)));
  }
  const band: Band = { low_c: new Float64Array(bins), mid_c: new Float64Array(bins), high_c: new Float64Array(bins) };
  for (let k = 0; k < bins; k++) {
    const sorted = runs.map((r) => r[k]!).sort((x, y) => x - y);
    band.low_c[k] = quantileSorted(sorted, 0.1)!;
    band.mid_c[k] = quantileSorted(sorted, 0.5)!;
    band.high_c[k] = quantileSorted(sorted, 0.9)!;
  }
  return band;
}
