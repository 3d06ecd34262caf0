import { CAUSES, isFault, neighboursOf, perCause, type Cause, type PerCause } from '../../base';
import type { Experienced } from './network';

/** The chance of a second fault is held within these: never none, never certain (working figures). */
const SECOND_CHANCE = { least: 0.02, most: 0.9 } as const;
/**
 * Share of faulty cars with two faults: of the drives that presence was learned from, as they were weighed
 * (scripts/learn/train.ts), and of those that a garage meets (working figure, decision 35; in the field set it is 7 in 100).
 */
const WITH_TWO = { learned: 0.28, met: 0.15 } as const;
/** What that makes of the odds of a second fault. Source: Bayes' rule for other base rates. */
const RARER = ((1 - WITH_TWO.learned) / WITH_TWO.learned) * (WITH_TWO.met / (1 - WITH_TWO.met));
/** A cause that gains by the chance of a second fault stays this share of the leader at the most. */
const BELOW_LEADER = 0.999;

const overFaults = (of: (cause: Cause) => number): number =>
  CAUSES.reduce((sum, cause) => sum + (isFault(cause) ? of(cause) : 0), 0);

/**
 * Chance that two faults are there. With two at most, the expected number of faults is the chance of any plus the
 * chance of two; presence gives the one, odds of single causes the other. Then it is made as rare as in a garage.
 */
function secondChance(odds: PerCause<number>, present: PerCause<number>): number {
  const chance = overFaults((c) => present[c]) - overFaults((c) => odds[c]);
  const learned = Math.min(SECOND_CHANCE.most, Math.max(SECOND_CHANCE.least, chance));
  return (RARER * learned) / (RARER * learned + 1 - learned);
}

/**
 * Log odds in which what the leader leaves over is shared between the causes that may be there *instead* of it and those
 * that may be there *beside* it. Without this, the neighbours of the leader, which look most like it and cannot be
 * there beside it, stand before the second fault. The leader and its probability stay as they are.
 *
 * @returns log probabilities, sum one; the odds of a drive without a leading fault as they were
 */
export function withSecondFault({ logOdds, present }: Experienced): PerCause<number> {
  const odds = perCause((c) => Math.exp(logOdds[c]));
  const leader = CAUSES.reduce((a, b) => (logOdds[b] > logOdds[a] ? b : a));
  const left = CAUSES.reduce((sum, c) => sum + (c === leader ? 0 : odds[c]), 0);
  if (!isFault(leader) || !(left > 0)) return logOdds;
  // That it is this one and no other: its presence against its absence.
  const beside = perCause((c) =>
    isFault(c) && !neighboursOf(leader).includes(c) ? present[c] / Math.max(1e-6, 1 - present[c]) : 0,
  );
  const all = CAUSES.reduce((sum, c) => sum + beside[c], 0);
  if (!(all > 0)) return logOdds;
  const second = secondChance(odds, present);
  // A sure leader leaves little over, and most of that to what may be beside it: else it would hide who is second.
  const share = second / ((1 - second) * left + second);
  const others = CAUSES.filter((c) => c !== leader);
  const besideLeft = (c: Cause) => (left * beside[c]) / all;
  // No cause may come to stand before the leader by this.
  const bounds = others
    .filter((c) => besideLeft(c) > odds[c])
    .map((c) => (BELOW_LEADER * odds[leader] - odds[c]) / (besideLeft(c) - odds[c]));
  const taken = Math.max(0, Math.min(share, ...bounds));
  return perCause((c) => (c === leader ? logOdds[c] : Math.log((1 - taken) * odds[c] + taken * besideLeft(c))));
}
