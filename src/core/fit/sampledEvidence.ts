import { randomLcg, randomNormal } from 'd3-random';
import { choleskyFactor, logDeterminant, solveUpper } from './cholesky';
import { INSENSITIVE, normalEquations, robustLoss, type MapProblem } from './mapFit';
import { squared } from './sums';

/** How an evidence is sampled. */
export interface SamplingOptions {
  /** Degrees of freedom of the Student-t residuals, as in the fit. */
  readonly degreesOfFreedom: number;
  /** Pairs of opposite samples. */
  readonly pairs: number;
  /** Half width of the differences that shape the proposal, in prior standard deviations. */
  readonly width: number;
  /** Samples are drawn this much wider than the curvature says: a valley is fatter at its rim than at its bottom. */
  readonly inflate: number;
}

/** Defaults of {@link sampledEvidence}. */
export const SAMPLING_DEFAULTS: SamplingOptions = { degreesOfFreedom: 6, pairs: 128, width: 0.6, inflate: 1.1 };

/**
 * The same draws for every model and every run: what is left of chance is then common to the models that are compared,
 * and a finding can be repeated to the last digit.
 */
const draws: number[] = [];
const nextNormal = randomNormal.source(randomLcg(0.7312))();
function drawAt(i: number): number {
  while (draws.length <= i) draws.push(nextNormal());
  return draws[i]!;
}

/** Log of the mean weight, with weights cut at √N times their mean so that one lucky sample cannot decide. */
export function logMeanTruncated(logWeights: readonly number[]): number {
  const n = logWeights.length;
  const most = Math.max(...logWeights);
  if (!Number.isFinite(most)) return -Infinity;
  const weights = logWeights.map((w) => Math.exp(w - most));
  const mean = weights.reduce((a, b) => a + b, 0) / n;
  const cut = mean * Math.sqrt(n);
  return most + Math.log(weights.reduce((sum, w) => sum + Math.min(w, cut), 0) / n);
}

/**
 * Log evidence of a model by importance sampling around its best fit, up to the residuals' normalisation, on the scale
 * of `MapFit.logEvidence`. Laplace's approximation takes the curvature at the very bottom of the valley; where the model
 * has kinks (a valve that just opens, a fan that just runs) that curvature is not the valley's, and the evidence is off by several
 * units. Here the curvature is taken over a wide difference and the rest is sampled.
 * Sources: Robert & Casella, Monte Carlo Statistical Methods, ch. 3; Ionides, J. Comput. Graph. Stat. 17 (2008) 295-311
 * (truncated weights).
 *
 * @param at the best fit, length `problem.size`
 */
export function sampledEvidence(
  problem: MapProblem,
  at: Float64Array,
  options: SamplingOptions = SAMPLING_DEFAULTS,
): number {
  const { degreesOfFreedom: nu, width, pairs, inflate } = options;
  const z = Float64Array.from(at);
  const e = new Float64Array(problem.residualCount);
  const logPosterior = (): number => {
    problem.residuals(z, e);
    return -0.5 * (robustLoss(e, nu) + squared(z));
  };
  const peak = logPosterior();
  if (!Number.isFinite(peak)) return -Infinity;
  const atPeak = Float64Array.from(e);

  const active: number[] = [];
  const jacobian: Float64Array[] = [];
  for (let i = 0; i < problem.size; i++) {
    const column = new Float64Array(e.length);
    z[i] = at[i]! + width;
    problem.residuals(z, column);
    z[i] = at[i]! - width;
    problem.residuals(z, e);
    z[i] = at[i]!;
    for (let k = 0; k < column.length; k++) column[k] = (column[k]! - e[k]!) / (2 * width);
    if (!(squared(column) >= INSENSITIVE)) continue;
    active.push(i);
    jacobian.push(column);
  }
  const n = active.length;
  if (n === 0) return peak;
  const { hessian } = normalEquations(jacobian, atPeak, new Float64Array(n), nu);
  const lower = choleskyFactor(hessian, n);
  if (!lower) return -Infinity;
  const logDet = logDeterminant(lower, n);

  const logWeights: number[] = [];
  const draw = new Float64Array(n);
  for (let s = 0; s < pairs; s++) {
    for (let i = 0; i < n; i++) draw[i] = drawAt(s * problem.size + active[i]!);
    const step = solveUpper(lower, n, draw);
    const proposal = 0.5 * squared(draw) + n * Math.log(inflate);
    for (const sign of [1, -1]) {
      active.forEach((i, position) => {
        z[i] = at[i]! + sign * inflate * step[position]!;
      });
      const weight = logPosterior() - peak + proposal;
      logWeights.push(Number.isFinite(weight) ? weight : -Infinity);
    }
  }
  return peak - 0.5 * logDet + logMeanTruncated(logWeights);
}
