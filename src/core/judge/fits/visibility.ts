import { CAUSES, type Cause } from '../../base';
import { logSumExp } from '../../signal';
import { type Hypothesis, SOUND } from './hypotheses';
import type { CauseLogs } from '../../evidence';
import { type HypothesisFit, predictReading, type TraceProblem } from './traceFit';

/** How far a fault moves the reading of a vehicle on this drive, K RMS. @param z vehicle, drive and severities */
export function effectAt_k(problem: TraceProblem, hypothesis: Hypothesis, z: Float64Array): number {
  const withFault = Float64Array.from(predictReading(problem, hypothesis, z));
  const without = predictReading(problem, SOUND, z);
  let sum = 0;
  for (let k = 0; k < without.length; k++) sum += (withFault[k]! - without[k]!) ** 2;
  return Math.sqrt(sum / without.length);
}

/**
 * How far a fitted fault moves the reading on this drive against the same vehicle without it, K RMS. A fault that
 * moves nothing fits as well as a sound vehicle, and the trace says nothing about it.
 */
export const effect_k = (problem: TraceProblem, fit: HypothesisFit): number =>
  effectAt_k(problem, fit.hypothesis, fit.fit.z);

/** Effect at which half of the full weight is given, K: somewhat above what sound vehicles of one type differ by. */
const HALF_AT_K = 3.1;
const WIDTH_K = 0.5;
/** Faults with a smaller effect are named as not shown by the drive, K. */
export const HIDDEN_BELOW_K = 1.5;
/** Weight of a fault that leaves no trace: it can be there, but is seldom what the job is about. */
const LEAST = 0.03;

/** Weight of a cause by its effect on this drive. */
export const visibilityWeight = (effect: number): number =>
  LEAST + (1 - LEAST) / (1 + Math.exp(-(effect - HALF_AT_K) / WIDTH_K));

/** One way a cause can come about: how much the trace supports it, and what it would move. */
export interface Way {
  readonly cause: Cause;
  readonly share: number;
  /** Log evidence on the scale at which odds are formed. */
  readonly support: number;
  readonly effect_k: number;
}

/**
 * Log weight per cause: a fault that would hardly have moved the reading on this drive is less likely to be what was
 * complained about, and the drive cannot speak for or against it. Where a cause has several ways, those that the trace
 * supports decide. Causes without a way keep their weight.
 */
export function visibilityLogs(ways: readonly Way[]): CauseLogs {
  return Object.fromEntries(
    CAUSES.map((cause) => {
      const own = ways.filter((w) => w.cause === cause);
      if (own.length === 0) return [cause, 0];
      const supported = own.map((w) => Math.log(w.share) + w.support);
      const weighed = own.map((w, i) => supported[i]! + Math.log(visibilityWeight(w.effect_k)));
      return [cause, logSumExp(weighed) - logSumExp(supported)];
    }),
  ) as CauseLogs;
}
