import { CAUSE_PLACE, neighboursOf, type Cause } from '../base';

/** How far a verdict may be trusted. `inconclusive` is a full answer. */
export type Grade = 'confirmed' | 'likely' | 'suspect' | 'inconclusive';

/** Thresholds of the grades. */
export const GRADE_FROM = { confirmed: 0.95, likely: 0.8, suspect: 0.4 } as const;

/** Share that neighbours must hold together to be suspected where none of them is alone. */
const FAMILY_FROM = 0.5;

/** Share from which the causes across the divide leave the verdict open; weighed in decision 7. */
const DIVIDED_FROM = 0.3;

/** A cause with its share of the odds. */
export interface Odds {
  readonly cause: Cause;
  readonly probability: number;
}

/** Odds as a list, most probable first. */
export const sortedOdds = (probabilities: Readonly<Record<Cause, number>>): Odds[] =>
  (Object.keys(probabilities) as Cause[])
    .map((cause) => ({ cause, probability: probabilities[cause] }))
    .sort((a, b) => b.probability - a.probability);

/**
 * The strongest cause on the other side where the odds are divided between sender and thermostat: a sender that reads
 * low and a thermostat that opens early draw one curve, and to replace the one for the other is the error that a
 * customer pays for (decision 7). Null where the verdict leans clearly to one side or concerns neither.
 *
 * @param causes most probable first
 */
export function acrossDivide<T extends Odds>(causes: readonly T[]): T | null {
  const { side } = CAUSE_PLACE[causes[0]!.cause];
  if (side === null) return null;
  const others = causes.filter((c) => {
    const its = CAUSE_PLACE[c.cause].side;
    return its !== null && its !== side;
  });
  const together = others.reduce((sum, c) => sum + c.probability, 0);
  return together >= DIVIDED_FROM ? others[0]! : null;
}

/**
 * Grade of the leading cause. Odds split between neighbours that no trace can part still name the leader as suspect
 * where together they hold half of the odds; odds divided between sender and thermostat name neither
 * (decision 7).
 *
 * @param causes most probable first
 */
export function gradeOf(causes: readonly Odds[]): Grade {
  const leader = causes[0]!;
  if (leader.probability >= GRADE_FROM.confirmed) return 'confirmed';
  if (leader.probability >= GRADE_FROM.likely) return 'likely';
  if (acrossDivide(causes)) return 'inconclusive';
  if (leader.probability >= GRADE_FROM.suspect) return 'suspect';
  const family = neighboursOf(leader.cause);
  const together = causes.reduce((sum, c) => sum + (family.includes(c.cause) ? c.probability : 0), 0);
  return family.length > 1 && together >= FAMILY_FROM ? 'suspect' : 'inconclusive';
}
