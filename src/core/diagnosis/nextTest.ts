import { CAUSES, type Cause, type Vehicle } from '../base';
import { CATALOGUE, type CatalogueItem } from './catalogue/catalogue';
import { causeName } from './causeText';
import type { NextTest } from './finding';

/** Entropy of odds, bits. */
export function entropy_bits(probabilities: Readonly<Record<Cause, number>>): number {
  let sum = 0;
  for (const c of CAUSES) {
    const p = probabilities[c];
    if (p > 0) sum -= p * Math.log2(p);
  }
  return sum;
}

/** What one answer would do to the odds. */
export interface Outcome {
  readonly answer: string;
  /** How likely the answer is now. */
  readonly probability: number;
  readonly leader: Cause;
  readonly leaderProbability: number;
}

/** A proposed test with what it is worth. */
export interface TestProposal {
  readonly item: CatalogueItem;
  readonly gain_bits: number;
  readonly bitsPerMinute: number;
  readonly outcomes: readonly Outcome[];
}

/** Minutes that any test costs beside its own: walking, fetching, writing down. */
const OVERHEAD_MIN = 3;

function updated(prior: Readonly<Record<Cause, number>>, likelihood: Readonly<Record<Cause, number>>) {
  const raw = CAUSES.map((c) => prior[c] * likelihood[c]);
  const total = raw.reduce((a, b) => a + b, 0);
  return {
    total,
    posterior: Object.fromEntries(CAUSES.map((c, i) => [c, raw[i]! / total])) as Record<Cause, number>,
  };
}

/** Expected information of one test over the present odds. Source: Lindley, Ann. Math. Statist. 27 (1956) 986-1005. */
export function proposeTest(
  item: CatalogueItem,
  probabilities: Readonly<Record<Cause, number>>,
  vehicle: Vehicle,
): TestProposal {
  let after = 0;
  const outcomes = item.answers.map((answer, i) => {
    const { total, posterior } = updated(probabilities, item.likelihood(i, vehicle));
    after += total * entropy_bits(posterior);
    const leader = CAUSES.reduce((a, b) => (posterior[b] > posterior[a] ? b : a));
    return { answer, probability: total, leader, leaderProbability: posterior[leader] };
  });
  const gain_bits = Math.max(0, entropy_bits(probabilities) - after);
  return { item, gain_bits, bitsPerMinute: gain_bits / (item.minutes + OVERHEAD_MIN), outcomes };
}

/**
 * The tests that would move the odds most for the least time, best first.
 *
 * @param done ids of items already answered
 */
export function bestTests(
  probabilities: Readonly<Record<Cause, number>>,
  vehicle: Vehicle,
  done: ReadonlySet<string> = new Set(),
  count = 3,
): TestProposal[] {
  return CATALOGUE.filter((item) => item.stage !== 'complaint' && item.stage !== 'code')
    .filter((item) => !done.has(item.id) && (!item.onlyHeated || vehicle.thermostat.heated))
    .map((item) => proposeTest(item, probabilities, vehicle))
    .filter((p) => p.gain_bits > 0.02)
    .sort((a, b) => b.bitsPerMinute - a.bitsPerMinute)
    .slice(0, count);
}

/** A proposal in plain words. */
export function describeTest(proposal: TestProposal): NextTest {
  const outcomes = proposal.outcomes
    .map((o) => `${o.answer}: ${causeName(o.leader).toLowerCase()} at ${Math.round(100 * o.leaderProbability)} %`)
    .join('; ');
  return { test: proposal.item.ask, why: `About ${proposal.item.minutes} min. ${outcomes}.` };
}
