import { logSumExp } from '../signal';

/**
 * Size of the model's discrepancy against the assumed one: middle and relative spread before any trace. The fits follow
 * one car to half a kelvin and another to two; both figures are those of simulated worlds and of the field set.
 */
const SIZE = { middle: 0.7, spread: 0.6 } as const;
/** Of the bins of a trace so many tell something of their own: a reduced model is wrong for minutes, not for seconds. */
const INDEPENDENT = 0.5;

/** Sizes over which is summed, from a fifth to five times the assumed one. */
const SIZES = Array.from({ length: 33 }, (_, i) => Math.exp(-1.6 + 0.1 * i));
const LOG_WEIGHTS = (() => {
  const logs = SIZES.map((s) => -0.5 * (Math.log(s / SIZE.middle) / SIZE.spread) ** 2);
  const total = logSumExp(logs);
  return logs.map((l) => l - total);
})();

/**
 * What the log evidence of a fit gains when the size of the misfit is not assumed but integrated out. Every cause has
 * the same chance to be rough, and pays for it alike.
 * Source: O'Hagan & Kendall's Advanced Theory of Statistics 2B, ch. 9 (unknown scale); here summed over a grid.
 *
 * @param misfit squared misfit per bin against the assumed one, at the best fit
 * @param bins measurements that the fit was held against
 */
export function misfitGain(misfit: number, bins: number): number {
  const n = INDEPENDENT * bins;
  const m = Math.max(0.01, misfit);
  return logSumExp(SIZES.map((s, i) => LOG_WEIGHTS[i]! - 0.5 * n * m * (1 / (s * s) - 1) - n * Math.log(s)));
}
