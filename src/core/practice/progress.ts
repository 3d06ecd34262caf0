import { isFault, type Cause } from '../base';
import {
  actionSpec,
  caseOf,
  cures,
  pricesFor,
  type ActionKind,
  type Case,
  type Entry,
  type Figures,
  type Prices,
} from '../case';
import { appliesTo, findItem, OVERHEAD_MIN, sameAct, type CatalogueItem, type ItemId } from '../evidence';
import { planLength_s, type DrivePlan } from '../planning';
import { answerTo } from './draw';
import type { Answered, PracticeSheet, PracticeStep, RepairStep } from './sheet';

/** Beside the drive itself: plugging in, starting the log, bringing the car back. Working figure. */
const DRIVE_OVERHEAD_MIN = 6;

/** Time and money of one step, or of all of them. */
export interface Cost {
  readonly minutes: number;
  readonly money: number;
}

const NOTHING: Cost = { minutes: 0, money: 0 };
const plus = (a: Cost, b: Cost): Cost => ({ minutes: a.minutes + b.minutes, money: a.money + b.money });

const labour = (minutes: number, prices: Prices): Cost => ({ minutes, money: (minutes / 60) * prices.labourPerHour });

/** What a test costs before its answer is known. */
export const testCost = (item: Pick<CatalogueItem, 'minutes'>, prices: Prices): Cost =>
  labour(item.minutes + OVERHEAD_MIN, prices);

/** What a planned drive costs. */
export const driveCost = (plan: Pick<DrivePlan, 'phases'>, prices: Prices): Cost =>
  labour(planLength_s(plan) / 60 + DRIVE_OVERHEAD_MIN, prices);

/** What a repair costs; with a customer who comes back where it did not cure. */
export function repairCost({ action, cured }: Pick<RepairStep, 'action' | 'cured'>, prices: Prices): Cost {
  const spec = actionSpec(action);
  const done = labour(spec.minutes, prices);
  return { minutes: done.minutes, money: done.money + spec.parts(prices) + (cured ? 0 : prices.comeBack) };
}

/** What a step cost. */
export function stepCost(step: PracticeStep, prices: Prices): Cost {
  switch (step.kind) {
    case 'test':
      return testCost(findItem(step.item) ?? { minutes: 0 }, prices);
    case 'drive':
      return driveCost(step.plan, prices);
    case 'repair':
      return repairCost(step, prices);
  }
}

/** What the way so far cost. */
export const costSoFar = ({ steps, vehicle }: PracticeSheet, figures: Figures): Cost => {
  const prices = pricesFor(vehicle, figures.ownPrices);
  return steps.reduce((sum, step) => plus(sum, stepCost(step, prices)), NOTHING);
};

const entryOf = ({ item, answer }: Answered, id: string, at: number): Entry => {
  switch (findItem(item)?.stage) {
    case 'complaint':
      return { kind: 'statement', id, at, item, answer };
    case 'bench':
      return { kind: 'bench', id, at, item, answer, part: 'old', text: '' };
    default:
      return { kind: 'check', id, at, item, answer, minute: null };
  }
};

function caseOfSteps(sheet: PracticeSheet, figures: Figures, steps: readonly PracticeStep[]): Case {
  const drives = new Map(steps.flatMap((s) => (s.kind === 'drive' && s.finding ? [[s.id, s.finding] as const] : [])));
  const entries = [
    ...sheet.given.map((g, i) => entryOf(g, `given ${i}`, i)),
    ...steps.flatMap((s, i): Entry[] => {
      // The order is what counts; a clock that was set back must not turn it round.
      const at = sheet.given.length + i;
      if (s.kind === 'test') return [entryOf(s, s.id, at)];
      return s.kind === 'drive' && s.finding ? [{ kind: 'drive', id: s.id, at, traceId: s.id, leftOut: '' }] : [];
    }),
  ];
  return caseOf({ vehicle: sheet.vehicle, senderPoints: [], entries, drives, figures });
}

/**
 * The case of a practice as Varmek sees it: the same evidence, the same judge as on a job. Repairs say nothing yet. A
 * finding that no version of the judge wrote, as a file may hold, is left out: it must not keep the case shut.
 */
export function practiceCase(sheet: PracticeSheet, figures: Figures, steps = sheet.steps): Case {
  try {
    return caseOfSteps(sheet, figures, steps);
  } catch (error) {
    if (!(error instanceof TypeError || error instanceof RangeError)) throw error;
    const undriven = steps.filter((s) => s.kind !== 'drive');
    if (undriven.length === steps.length) throw error;
    return caseOfSteps(sheet, figures, undriven);
  }
}

/** Tests that can still be taken. Of a case from a job only what was answered there. */
export function testsLeft(sheet: PracticeSheet, figures: Figures): CatalogueItem[] {
  const taken = new Set(
    [...sheet.given, ...sheet.steps.flatMap((s) => (s.kind === 'test' ? [s] : []))].map((a) => a.item),
  );
  return figures.catalogue.filter(
    (item) =>
      !['complaint', 'code', 'drive'].includes(item.stage) &&
      !taken.has(item.id) &&
      appliesTo(item, sheet.vehicle) &&
      answerTo(sheet, item.id) !== null,
  );
}

/** Takes a test. */
export function testTaken(sheet: PracticeSheet, id: ItemId, step: { id: string; at: number }): PracticeSheet {
  // Pressed twice, or in two tabs: a test is paid for once.
  const taken = sheet.steps.some((s) => s.kind === 'test' && s.item === id);
  const answer = taken ? null : answerTo(sheet, id);
  return answer === null ? sheet : { ...sheet, steps: [...sheet.steps, { kind: 'test', ...step, item: id, answer }] };
}

/** An act that cures a cause more often than not cures it here: luck would teach nothing. */
const CURES_FROM = 0.5;

/** Whether an act cures the car of a case. */
export function isCured({ truth }: Pick<PracticeSheet, 'truth'>, action: ActionKind, figures: Figures): boolean {
  const faults = truth.causes.filter(isFault);
  // A part fitted to a sound car cures nothing: the customer notices what was noticed before.
  if (faults.length === 0) return action === 'leave-it';
  return faults.some((cause) => cures(action, cause, figures.risks) >= CURES_FROM);
}

/** True where a named cause leads to the act that the truth asks for. */
export const isRight = (cause: Cause, { truth }: Pick<PracticeSheet, 'truth'>): boolean =>
  truth.causes.some((c) => sameAct(c).includes(cause));

/** True once the car is cured or the answer was looked at. */
export const isOver = (sheet: PracticeSheet): boolean =>
  sheet.endedAt !== null || sheet.steps.some((s) => s.kind === 'repair' && s.cured);
