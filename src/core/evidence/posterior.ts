import { CAUSES, perCause, type Cause, type PerCause } from '../base';
import { logSumExp } from '../signal';

/**
 * Calibration of the odds. `temperature` divides the log likelihood of the trace: a reduced model is surer than it
 * should be, more so where the heat itself had to be guessed. `floor` is kept for something that is not in the list, spread over the causes. Both are set on simulated
 * vehicles and checked on others (docs/accuracy.md).
 */
export const CALIBRATION = { temperature: 1.1, temperatureUnknownHeat: 1.2, floor: 0.02 } as const;

/** Weight of the assumed discrepancy against what the best fit of this trace shows, in traces. */
const NOISE_PRIOR_WEIGHT = 4;

/**
 * Scale of the squared discrepancy for one trace. The best cause's misfit tells how well the model can follow this
 * vehicle at all: where it follows closely, smaller differences between causes count; where it does not, fewer do.
 *
 * @param misfits misfit per bin of each hypothesis, see `HypothesisReport`
 * @returns factor on the assumed variance, between about 0.8 and 3
 */
export function noiseScale(misfits: readonly number[]): number {
  const least = Math.min(...misfits);
  return Math.min(3, (least + NOISE_PRIOR_WEIGHT) / (1 + NOISE_PRIOR_WEIGHT));
}

/** Probabilities from log odds, with the floor for the unlisted mixed in. Sums to 1. */
export function toProbabilities(logOdds: PerCause<number>, floor: number = CALIBRATION.floor): Record<Cause, number> {
  const total = logSumExp(CAUSES.map((c) => logOdds[c]));
  const possible = CAUSES.filter((c) => logOdds[c] > -Infinity).length;
  return perCause((c) => (logOdds[c] > -Infinity ? (1 - floor) * Math.exp(logOdds[c] - total) + floor / possible : 0));
}

/** Sum of log likelihoods per cause. */
export const addLogs = (...parts: readonly PerCause<number>[]): Record<Cause, number> =>
  perCause((c) => parts.reduce((sum, p) => sum + p[c], 0));
