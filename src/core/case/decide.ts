import { CAUSES, type Cause, type PerCause, type Vehicle } from '../base';
import { OVERHEAD_MIN, type TestProposal } from '../evidence';
import { ACTION_KINDS, actionSpec, HARM, type ActionKind } from './actions';
import type { Prices } from './prices';
import { badPartOdds, workSpec, type WorkRisks } from './work';

/** One choice with what it is expected to cost. */
export interface ActionCost {
  readonly action: ActionKind;
  readonly parts: number;
  readonly labour: number;
  /** Expected cost of a car that is not cured, and of damage. */
  readonly comeBack: number;
  readonly harm: number;
  readonly cost: number;
  readonly p_cured: number;
}

/** What a decision is made from. */
export interface DecisionBasis {
  readonly vehicle: Vehicle;
  readonly prices: Prices;
  readonly risks: WorkRisks;
}

/** Probability that an action leaves the car cured, if one cause is the true one. */
export function cures(action: ActionKind, cause: Cause, risks: WorkRisks): number {
  const { work } = actionSpec(action);
  // A cold day is cured by being told so; a part fitted for it leaves the complaint where it was.
  if (cause === 'insufficient-heat') return action === 'leave-it' ? 1 : 0;
  let stays = 1;
  let spoilt = 0;
  for (const kind of work) {
    const { cures: cured, brings } = workSpec(kind);
    if (cause !== 'healthy') stays *= 1 - (cured[cause] ?? 0);
    if (brings.length > 0) spoilt = 1 - (1 - spoilt) * (1 - badPartOdds(risks, false, 0));
  }
  return cause === 'healthy' ? 1 - spoilt : (1 - stays) * (1 - spoilt);
}

/** Expected cost of one choice: parts, time, the car that comes back, the damage. */
export function actionCost(action: ActionKind, probabilities: PerCause<number>, basis: DecisionBasis): ActionCost {
  const { prices, risks } = basis;
  const spec = actionSpec(action);
  let p_cured = 0;
  let damage = 0;
  for (const cause of CAUSES) {
    const p = probabilities[cause];
    const cured = cures(action, cause, risks);
    p_cured += p * cured;
    damage += p * (1 - cured) * (HARM[cause] ?? 0);
  }
  const parts = spec.parts(prices);
  const labour = (spec.minutes / 60) * prices.labourPerHour;
  const comeBack = (1 - p_cured) * prices.comeBack;
  const harm = damage * prices.engineDamage;
  return { action, parts, labour, comeBack, harm, cost: parts + labour + comeBack + harm, p_cured };
}

/** Every choice that applies, cheapest first. */
export const actionCosts = (probabilities: PerCause<number>, basis: DecisionBasis): ActionCost[] =>
  ACTION_KINDS.filter((a) => !actionSpec(a).onlyHeated || basis.vehicle.thermostat.heated)
    .map((a) => actionCost(a, probabilities, basis))
    .sort((a, b) => a.cost - b.cost);

const leastCost = (probabilities: PerCause<number>, basis: DecisionBasis): number =>
  actionCosts(probabilities, basis)[0]!.cost;

/** What a test is worth before one decides. */
export interface TestWorth {
  readonly proposal: TestProposal;
  /** What knowing its answer saves on the best choice; never negative, 0 when no answer changes the choice. */
  readonly worth: number;
  readonly cost: number;
  /** What is left of it after the test's own time; 0 where it costs more than it saves. */
  readonly saves: number;
}

/**
 * Worth of knowing a test's answer: best cost now less the mean of the best costs after each answer.
 * Source: Raiffa & Schlaifer, Applied Statistical Decision Theory (1961), expected value of sample information.
 */
export function testWorth(proposal: TestProposal, probabilities: PerCause<number>, basis: DecisionBasis): TestWorth {
  const after = proposal.outcomes.reduce((sum, o) => sum + o.probability * leastCost(o.posterior, basis), 0);
  const worth = Math.max(0, leastCost(probabilities, basis) - after);
  const cost = ((proposal.item.minutes + OVERHEAD_MIN) / 60) * basis.prices.labourPerHour;
  // Sums of many small products leave dust: less than a hundredth of the smallest coin is nothing.
  const real = worth < 1e-4 ? 0 : worth;
  return { proposal, worth: real, cost, saves: Math.max(0, real - cost) };
}

/** To act at once, or to test first: the two expected costs side by side. */
export interface Decision {
  readonly actions: readonly ActionCost[];
  /** Tests by what they save, best first; those that save nothing by information per minute. */
  readonly tests: readonly TestWorth[];
  /** Cost of the best test followed by the best choice; null when no test is open. */
  readonly testFirst: number | null;
}

/** All choices and tests under the present odds. */
export function decide(
  probabilities: PerCause<number>,
  proposals: readonly TestProposal[],
  basis: DecisionBasis,
): Decision {
  const actions = actionCosts(probabilities, basis);
  const tests = proposals
    .map((p) => testWorth(p, probabilities, basis))
    .sort((a, b) => b.saves - a.saves || b.proposal.bitsPerMinute - a.proposal.bitsPerMinute);
  const best = tests.reduce<TestWorth | null>((a, b) => (a && a.worth - a.cost >= b.worth - b.cost ? a : b), null);
  return { actions, tests, testFirst: best ? actions[0]!.cost - best.worth + best.cost : null };
}
