import { CAUSES, perCause, type Cause, type PerCause } from '../base';
import type { PastJob } from './pastJob';

/** What a shop's own history suggests for one cause. */
export interface SuggestedRate {
  readonly cause: Cause;
  readonly now: number;
  readonly suggested: number;
  /** Cars of which this, or one that leads to the same act, was the truth. */
  readonly seen: number;
}

/** Base rates that a history suggests: offered, never taken by themselves. */
export interface SuggestedRates {
  readonly n: number;
  readonly few: boolean;
  readonly rates: readonly SuggestedRate[];
}

/** The present rates weigh as much as so many cars of the shop's own. */
const PRIOR_CARS = 30;
/** Fewer cars whose truth is known suggest nothing. */
export const RATES_FROM = 10;

/**
 * Base rates after the cars of which the truth is known: Dirichlet with the present rates as if counted on
 * {@link PRIOR_CARS} cars. A truth that leaves several causes open is shared among them as the present rates do.
 */
export function suggestedRates(jobs: readonly PastJob[], now: PerCause<number>): SuggestedRates {
  const total = CAUSES.reduce((s, c) => s + now[c], 0);
  const seen = perCause(() => 0) as Record<Cause, number>;
  const known = jobs.flatMap((j) => (j.truth ? [j.truth.causes] : []));
  for (const causes of known) {
    const weight = causes.reduce((s, c) => s + now[c], 0);
    for (const c of causes) seen[c] += now[c] / weight;
  }
  const n = known.length;
  return {
    n,
    few: n < RATES_FROM,
    rates: CAUSES.map((cause) => ({
      ...{ cause, now: now[cause] / total, seen: seen[cause] },
      suggested: (PRIOR_CARS * (now[cause] / total) + seen[cause]) / (PRIOR_CARS + n),
    })),
  };
}
