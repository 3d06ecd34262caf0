import { randomLcg, randomNormal } from 'd3-random';
import { choleskyFactor, logDeterminant, solveUpper } from './cholesky';
import { INSENSITIVE, residualsAt, TOGETHER, type MapProblem } from './mapFit';
import { normalEquations, robustLoss } from './normalEquations';
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

/** Pairs of opposite points that are worked out together. */
const AT_ONCE = TOGETHER / 2;

/** Slopes over wide differences to both sides of `at`, of the coordinates that move the residuals at all. */
function wideDifferences(
  problem: MapProblem,
  at: Float64Array,
  width: number,
): { active: number[]; jacobian: Float64Array[] } {
  const zs = Array.from({ length: TOGETHER }, () => Float64Array.from(at));
  const es = zs.map(() => new Float64Array(problem.residualCount));
  const active: number[] = [];
  const jacobian: Float64Array[] = [];
  for (let first = 0; first < problem.size; first += AT_ONCE) {
    const coordinates = Array.from({ length: Math.min(AT_ONCE, problem.size - first) }, (_, k) => first + k);
    for (const z of zs) z.set(at);
    coordinates.forEach((i, k) => {
      zs[2 * k]![i] = at[i]! + width;
      zs[2 * k + 1]![i] = at[i]! - width;
    });
    residualsAt(problem, zs.slice(0, 2 * coordinates.length), es);
    coordinates.forEach((i, k) => {
      const below = es[2 * k + 1]!;
      const column = es[2 * k]!.map((above, j) => (above - below[j]!) / (2 * width));
      if (!(squared(column) >= INSENSITIVE)) return;
      active.push(i);
      jacobian.push(column);
    });
  }
  return { active, jacobian };
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
  const room = () => new Float64Array(problem.residualCount);
  const logPosterior = (z: Float64Array, e: Float64Array): number => -0.5 * (robustLoss(e, nu) + squared(z));
  const atPeak = room();
  problem.residuals(at, atPeak);
  const peak = logPosterior(at, atPeak);
  if (!Number.isFinite(peak)) return -Infinity;

  const { active, jacobian } = wideDifferences(problem, at, width);
  const n = active.length;
  if (n === 0) return peak;
  const { hessian } = normalEquations(jacobian, atPeak, new Float64Array(n), nu);
  const lower = choleskyFactor(hessian, n);
  if (!lower) return -Infinity;
  const logDet = logDeterminant(lower, n);

  const zs = Array.from({ length: TOGETHER }, () => Float64Array.from(at));
  const es = zs.map(room);
  const logWeights: number[] = [];
  const draw = new Float64Array(n);
  for (let first = 0; first < pairs; first += AT_ONCE) {
    const proposals: number[] = [];
    for (let s = first; s < Math.min(pairs, first + AT_ONCE); s++) {
      for (let i = 0; i < n; i++) draw[i] = drawAt(s * problem.size + active[i]!);
      const step = solveUpper(lower, n, draw);
      for (const sign of [1, -1]) {
        const z = zs[proposals.length]!;
        for (let i = 0; i < n; i++) z[active[i]!] = at[active[i]!]! + sign * inflate * step[i]!;
        proposals.push(0.5 * squared(draw) + n * Math.log(inflate));
      }
    }
    residualsAt(problem, zs.slice(0, proposals.length), es);
    proposals.forEach((proposal, i) => {
      const weight = logPosterior(zs[i]!, es[i]!) - peak + proposal;
      logWeights.push(Number.isFinite(weight) ? weight : -Infinity);
    });
  }
  return peak - 0.5 * logDet + logMeanTruncated(logWeights);
}
