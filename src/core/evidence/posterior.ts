import { CAUSES, perCause, type Cause, type PerCause } from '../base';
import { logSumExp } from '../signal';

/**
 * Calibration of the odds. `temperature` divides the log likelihood of the trace: a reduced model is surer than it
 * should be. `floor` is kept for something that is not in the list, spread over the causes. Both are set on simulated
 * worlds and checked on others (docs/accuracy.md).
 */
export const CALIBRATION = { temperature: 2, floor: 0.01 } as const;

/** Probabilities from log odds, with the floor for the unlisted mixed in. Sums to 1. */
export function toProbabilities(logOdds: PerCause<number>, floor: number = CALIBRATION.floor): Record<Cause, number> {
  const total = logSumExp(CAUSES.map((c) => logOdds[c]));
  const possible = CAUSES.filter((c) => logOdds[c] > -Infinity).length;
  return perCause((c) => (logOdds[c] > -Infinity ? (1 - floor) * Math.exp(logOdds[c] - total) + floor / possible : 0));
}

/** Sum of log likelihoods per cause. */
export const addLogs = (...parts: readonly PerCause<number>[]): Record<Cause, number> =>
  perCause((c) => parts.reduce((sum, p) => sum + p[c], 0));
