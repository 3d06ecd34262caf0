import { CAUSES, type Cause } from '../base';
import { actionCosts, actionSpec, pricesFor, type ActionKind, type Figures } from '../case';
import { findItem, sameAct, type ItemId } from '../evidence';
import { costSoFar, isCured, isRight, practiceCase, repairCost, testCost, testTaken, type Cost } from './progress';
import type { PracticeResult, PracticeSheet, PracticeStep, RepairStep } from './sheet';

/** What one step did, and what would have done more. */
export interface StepReview {
  readonly step: PracticeStep;
  /** Varmek's share of the true act before it and after it. */
  readonly before: number;
  readonly after: number;
  /** Times by which it parted the truth from its strongest rival; below 1 it spoke against the truth. */
  readonly parted: number;
  /** The test that Varmek would have taken there; null where none was worth its time, or it was taken. */
  readonly better: ItemId | null;
}

/** Varmek's own way through a case by the tests alone. */
export interface OwnWay {
  readonly tests: readonly ItemId[];
  readonly actions: readonly ActionKind[];
  readonly cost: Cost;
}

/** What the answer shows. */
export interface Review {
  readonly steps: readonly StepReview[];
  readonly cost: Cost;
  /** The cure alone, by one who knew. */
  readonly cure: Cost;
  readonly varmek: OwnWay;
  readonly result: PracticeResult;
}

const MOST_TESTS = 12;
/** Shares are kept off 0 and 1 before their ratio is taken. */
const LEAST = 1e-6;

const sum = (now: Readonly<Record<Cause, number>>, causes: readonly Cause[]) => causes.reduce((s, c) => s + now[c], 0);

/** The causes that lead to the act of the truth. */
const trueAct = ({ truth }: PracticeSheet): readonly Cause[] =>
  CAUSES.filter((c) => truth.causes.some((t) => sameAct(t).includes(c)));

/** A drive of one's own is every drive that could be proposed. */
const isTaken = (step: PracticeStep, test: ItemId): boolean =>
  step.kind === 'test' ? step.item === test : step.kind === 'drive' && findItem(test)?.stage === 'drive';

function reviewSteps(sheet: PracticeSheet, figures: Figures): StepReview[] {
  const act = trueAct(sheet);
  return sheet.steps.map((step, i) => {
    const was = practiceCase(sheet, figures, sheet.steps.slice(0, i));
    const is = practiceCase(sheet, figures, sheet.steps.slice(0, i + 1));
    const [before, after] = [was.steps.at(-1)!.now, is.steps.at(-1)!.now];
    const rival = CAUSES.filter((c) => !act.includes(c)).reduce((a, b) => (before[b] > before[a] ? b : a));
    const ratio = (now: typeof before) => Math.max(LEAST, sum(now, act)) / Math.max(LEAST, now[rival]);
    const [best] = was.decision.tests;
    const better = best && best.saves > 0 ? best.proposal.item.id : null;
    return {
      step,
      before: sum(before, act),
      after: sum(after, act),
      parted: ratio(after) / ratio(before),
      better: better !== null && isTaken(step, better) ? null : better,
    };
  });
}

/** Varmek plays the case: the test that saves most, until none saves anything, then the cheapest act. */
export function ownWay(sheet: PracticeSheet, figures: Figures): OwnWay {
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  let walked: PracticeSheet = { ...sheet, steps: [] };
  let cost: Cost = { minutes: 0, money: 0 };
  const add = (c: Cost) => (cost = { minutes: cost.minutes + c.minutes, money: cost.money + c.money });
  const tests: ItemId[] = [];
  for (let i = 0; i < MOST_TESTS; i++) {
    const next = practiceCase(walked, figures).decision.tests.find(
      (t) => t.saves > 0 && t.proposal.item.stage !== 'drive' && !tests.includes(t.proposal.item.id),
    );
    if (!next) break;
    const { item } = next.proposal;
    const taken = testTaken(walked, item.id, { id: `${i}`, at: i });
    if (taken === walked) break;
    walked = taken;
    tests.push(item.id);
    add(testCost(item, prices));
  }
  const found = practiceCase(walked, figures);
  const ranked = actionCosts(found.steps.at(-1)!.now, { vehicle: sheet.vehicle, prices, risks: figures.risks });
  const actions: ActionKind[] = [];
  for (const { action } of ranked) {
    const cured = isCured(sheet, action, figures);
    actions.push(action);
    add(repairCost({ action, cured }, prices));
    if (cured) break;
  }
  return { tests, actions, cost };
}

/** The cheapest act that cures the car. */
function cureCost(sheet: PracticeSheet, figures: Figures): Cost {
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  const curing = actionCosts(practiceCase(sheet, figures, []).steps.at(-1)!.now, {
    ...{ vehicle: sheet.vehicle, prices, risks: figures.risks },
  })
    .filter(({ action }) => isCured(sheet, action, figures))
    .map(({ action }) => repairCost({ action, cured: true }, prices));
  return curing.reduce((a, b) => (b.money < a.money ? b : a), curing[0] ?? { minutes: 0, money: 0 });
}

/** Goes over a case from its end: what parted the truth from the rest, what would have been better, what it cost. */
export function reviewOf(sheet: PracticeSheet, figures: Figures): Review {
  const cost = costSoFar(sheet, figures);
  const varmek = ownWay(sheet, figures);
  const firstAt = sheet.steps.findIndex((s) => s.kind === 'repair');
  const first = sheet.steps.find((s): s is RepairStep => s.kind === 'repair') ?? null;
  const { now } = practiceCase(sheet, figures, firstAt < 0 ? sheet.steps : sheet.steps.slice(0, firstAt));
  const [leader] = now;
  const group = sameAct(leader!.cause);
  const share = now.reduce((s, o) => s + (group.includes(o.cause) ? o.probability : 0), 0);
  const cured = sheet.steps.some((s) => s.kind === 'repair' && s.cured);
  return {
    steps: reviewSteps(sheet, figures),
    cost,
    cure: cureCost(sheet, figures),
    varmek,
    result: {
      score: cured ? Math.round(100 * Math.min(1, varmek.cost.money / Math.max(1, cost.money))) : 0,
      first: first && { cause: first.cause, certainty: first.certainty, right: isRight(first.cause, sheet) },
      varmekSays: { cause: leader!.cause, share, right: isRight(leader!.cause, sheet) },
    },
  };
}

/** What an act is called. */
export const actionSays = (action: ActionKind): string => actionSpec(action).says;

/** What a test asks; its key where this version has none of that name. */
export const testAsks = (id: string): string => findItem(id)?.ask ?? id;
