import type { Cause, PerCause } from '../../base';

/** The cause whose odds something moved most, by what factor, and its probability before and after. */
export interface Moved {
  readonly cause: Cause;
  readonly factor: number;
  readonly from: number;
  readonly to: number;
}

/** What an entry moved most of all. */
export function strongestMove(before: PerCause<number>, after: PerCause<number>): Moved {
  const causes = Object.keys(after) as Cause[];
  const cause = causes.reduce((a, b) => (Math.abs(after[b] - before[b]) > Math.abs(after[a] - before[a]) ? b : a));
  const odds = (p: number) => p / Math.max(1e-12, 1 - p);
  const factor = odds(after[cause]) / Math.max(1e-12, odds(before[cause]));
  return { cause, factor, from: before[cause], to: after[cause] };
}
