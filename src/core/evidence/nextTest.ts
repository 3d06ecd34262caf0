import { CAUSES, perCause, type Cause, type PerCause, type Vehicle } from '../base';
import { appliesTo, CATALOGUE, type CatalogueItem, type ItemAnswer } from './catalogue/catalogue';
import { causeName } from './causeText';

/** Entropy of odds, bits. */
export function entropy_bits(probabilities: PerCause<number>): number {
  let sum = 0;
  for (const c of CAUSES) {
    const p = probabilities[c];
    if (p > 0) sum -= p * Math.log2(p);
  }
  return sum;
}

/** What one answer would do to the odds. */
export interface Outcome {
  readonly answer: ItemAnswer;
  /** How likely the answer is now. */
  readonly probability: number;
  readonly leader: Cause;
  readonly leaderProbability: number;
  /** The odds after it. */
  readonly posterior: PerCause<number>;
}

/** A proposed test with what it is worth. */
export interface TestProposal {
  readonly item: CatalogueItem;
  readonly gain_bits: number;
  readonly bitsPerMinute: number;
  readonly outcomes: readonly Outcome[];
}

/** What to do next and why, in plain words. */
export interface NextTest {
  readonly test: string;
  readonly why: string;
}

/** Minutes that any test costs beside its own: walking, fetching, writing down. */
export const OVERHEAD_MIN = 3;
/** A test that would tell less than this is not worth the walk, bits. */
const LEAST_BITS = 0.02;

function updated(prior: PerCause<number>, likelihood: PerCause<number>) {
  const raw = perCause((c) => prior[c] * likelihood[c]);
  const total = CAUSES.reduce((sum, c) => sum + raw[c], 0);
  return { total, posterior: perCause((c) => (total > 0 ? raw[c] / total : prior[c])) };
}

/** Expected information of one test over the present odds. Source: Lindley, Ann. Math. Statist. 27 (1956) 986-1005. */
export function proposeTest(item: CatalogueItem, probabilities: PerCause<number>, vehicle: Vehicle): TestProposal {
  let after = 0;
  const outcomes = item.answers.map((answer) => {
    const { total, posterior } = updated(probabilities, item.likelihood(answer.key, vehicle));
    after += total * entropy_bits(posterior);
    const leader = CAUSES.reduce((a, b) => (posterior[b] > posterior[a] ? b : a));
    return { answer, probability: total, leader, leaderProbability: posterior[leader], posterior };
  });
  const gain_bits = Math.max(0, entropy_bits(probabilities) - after);
  return { item, gain_bits, bitsPerMinute: gain_bits / (item.minutes + OVERHEAD_MIN), outcomes };
}

/** Which tests are still open, and which of them apply. */
export interface OpenTests {
  /** Items that were answered since the last work. */
  readonly done?: ReadonlySet<string>;
  readonly catalogue?: readonly CatalogueItem[];
}

/** Every test still open that would tell something, best per minute first. */
export function openTests(
  probabilities: PerCause<number>,
  vehicle: Vehicle,
  { done = new Set(), catalogue = CATALOGUE }: OpenTests = {},
): TestProposal[] {
  return catalogue
    .filter((item) => item.stage !== 'complaint' && item.stage !== 'code')
    .filter((item) => !done.has(item.id) && appliesTo(item, vehicle))
    .map((item) => proposeTest(item, probabilities, vehicle))
    .filter((p) => p.gain_bits > LEAST_BITS)
    .sort((a, b) => b.bitsPerMinute - a.bitsPerMinute);
}

/** A proposal in plain words. */
export function describeTest(proposal: TestProposal): NextTest {
  const outcomes = proposal.outcomes
    .map((o) => `${o.answer.says}: ${causeName(o.leader).toLowerCase()} at ${Math.round(100 * o.leaderProbability)} %`)
    .join('; ');
  return { test: proposal.item.ask, why: `About ${proposal.item.minutes} min. ${outcomes}.` };
}
