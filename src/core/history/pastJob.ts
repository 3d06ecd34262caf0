import { isCause, type Cause, type Vehicle } from '../base';
import {
  actionCosts,
  inOrder,
  workSpec,
  type Case,
  type Entry,
  type Figures,
  type ProofEntry,
  pricesFor,
  type WorkEntry,
  type WorkKind,
} from '../case';
import { costSheet, type ClosingSheet } from '../closing';
import { headlineOf, sameAct, sortedOdds, type Grade } from '../evidence';
import type { OTHER_FAULTS, PlannedPart, RepairSheet } from '../repair';

/** What was said first: before any work, after the first drive that counts, else after the last entry. */
export interface FirstFinding {
  readonly at: number;
  /** The cause that led, and those that lead to the same act. */
  readonly cause: Cause;
  readonly group: readonly Cause[];
  readonly grade: Grade;
  /** What the group held of the odds; null where nothing was named. */
  readonly claimed: number | null;
}

/** What turned out to be wrong, shown by numbers. */
export interface Truth {
  readonly causes: readonly Cause[];
  readonly by: 'fault-found' | 'cured' | 'nothing-done';
}

/** A part that was fitted. */
export interface FittedPart {
  readonly name: string;
  readonly work: WorkKind;
  readonly source: PlannedPart['source'];
  readonly rated_c: number | null;
  readonly at: number;
}

/** A test of a job, and whether the best act was another one after it. */
export interface TestEffect {
  /** Key of the item, the measurement, or `drive`. */
  readonly test: string;
  readonly changed: boolean;
}

/** What is kept in mind of a job over all jobs: small enough for a thousand of them. */
export interface PastJob {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly arrivedAt: number;
  readonly first: FirstFinding | null;
  readonly truth: Truth | null;
  /** Why nothing counts as the truth. */
  readonly noTruth: string;
  readonly works: readonly { readonly work: WorkKind; readonly at: number }[];
  readonly parts: readonly FittedPart[];
  readonly minutes: { readonly planned: number | null; readonly taken: number | null };
  readonly cost: { readonly planned: number | null; readonly actual: number | null };
  readonly tests: readonly TestEffect[];
}

/** What a past job is made from. */
export interface PastJobInput {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly arrivedAt: number;
  readonly vehicle: Vehicle;
  readonly entries: readonly Entry[];
  readonly case: Case;
  readonly repair: RepairSheet | null;
  readonly closing: ClosingSheet | null;
  readonly figures: Figures;
}

const WORK_CURES_FROM = 0.3;

function firstFinding({ steps }: Case): FirstFinding | null {
  const work = steps.findIndex((s) => s.kind === 'work');
  const before = steps.slice(1, work < 0 ? undefined : work);
  const step = before.find((s) => s.kind === 'drive') ?? before.at(-1);
  if (!step) return null;
  const odds = sortedOdds(step.now);
  const { grade, share, parts } = headlineOf(odds);
  const { cause } = parts[0]!;
  return { at: step.at, cause, group: sameAct(cause), grade, claimed: share };
}

const lastVerdict = (entries: readonly Entry[]): ProofEntry | null =>
  entries.findLast((e): e is ProofEntry => e.kind === 'proof' && e.item === 'verdict') ?? null;

/** Why a job tells nothing of the causes where a person found none of them. */
const OTHER_TRUTH: Readonly<Record<(typeof OTHER_FAULTS)[number], string>> = {
  leak: 'a leak was found',
  preventive: 'nothing was faulty',
  'not-known': 'the fault is not known',
};

/**
 * What turned out to be wrong. Only a proven repair tells it: by the fault that a person found, else by the one repair
 * that can have the credit; of a car on which nothing was done, that nothing was wrong. Never by the odds themselves:
 * a judge that is measured by its own verdicts is always right.
 */
function truthOf(entries: readonly Entry[], found: Case, repair: RepairSheet | null): Truth | string {
  const verdict = lastVerdict(entries);
  if (!verdict) return 'no verdict yet';
  if (verdict.answer !== 'proven') return 'not proven';
  const works = entries.filter((e): e is WorkEntry => e.kind === 'work');
  const fault = repair?.plan.fault ?? null;
  if (fault !== null && isCause(fault) && works.length > 0) return { causes: [fault], by: 'fault-found' };
  if (fault !== null && !isCause(fault)) return OTHER_TRUTH[fault];
  if (works.length === 0) return { causes: ['healthy', 'insufficient-heat'], by: 'nothing-done' };
  if (found.separability?.separable !== true) return 'not separable';
  const credited = [...new Set(works.map((w) => w.work))].filter((w) => Object.keys(workSpec(w).cures).length > 0);
  // Coolant goes in with every part: it takes no credit beside one.
  const own = credited.filter((w) => w !== 'drained-and-filled' && w !== 'topped-up-and-bled');
  const kinds = own.length > 0 ? own : credited;
  if (kinds.length !== 1) return kinds.length === 0 ? 'nothing done that cures a cause' : 'not separable';
  const causes = Object.entries(workSpec(kinds[0]!).cures).flatMap(([c, p]) =>
    isCause(c) && p >= WORK_CURES_FROM ? [c] : [],
  );
  return { causes, by: 'cured' };
}

/** Key of the test that an entry holds; null for what is no test. */
function testOf(entry: Entry | undefined): string | null {
  switch (entry?.kind) {
    case 'check':
      return entry.item;
    case 'measurement':
      return entry.name;
    case 'bench':
      return entry.test ? `bench-${entry.test.of}` : entry.item;
    case 'drive':
      return 'drive';
    default:
      return null;
  }
}

/** Tests of before the first work, each with whether the cheapest act was another one after it. */
function testEffects({ case: found, entries, vehicle, figures }: PastJobInput): TestEffect[] {
  const basis = { vehicle, prices: pricesFor(vehicle, figures.ownPrices), risks: figures.risks };
  const work = found.steps.findIndex((s) => s.kind === 'work');
  const steps = found.steps.slice(0, work < 0 ? undefined : work);
  const byId = new Map(entries.map((e) => [e.id, e]));
  return steps.slice(1).flatMap((step, i) => {
    const test = testOf(byId.get(step.entryId));
    if (test === null) return [];
    const act = (now: typeof step.now) => actionCosts(now, basis)[0]!.action;
    return [{ test, changed: act(steps[i]!.now) !== act(step.now) }];
  });
}

/** Reduces a job to what counts over all jobs. */
export function pastJobOf(input: PastJobInput): PastJob {
  const { jobId, vehicleId, arrivedAt, vehicle, case: found, repair, closing, figures } = input;
  const entries = inOrder(input.entries.filter((e) => e.takenBack !== true));
  const works = entries.filter((e): e is WorkEntry => e.kind === 'work');
  const truth = truthOf(entries, found, repair);
  const fittedAt = works.at(-1)?.at ?? null;
  const cost =
    closing && repair ? costSheet(repair, closing, { vehicle, prices: pricesFor(vehicle, figures.ownPrices) }) : null;
  return {
    ...{ jobId, vehicleId, arrivedAt },
    first: firstFinding(found),
    truth: typeof truth === 'string' ? null : truth,
    noTruth: typeof truth === 'string' ? truth : '',
    works: works.map(({ work, at }) => ({ work, at })),
    parts:
      fittedAt === null
        ? []
        : (repair?.plan.parts ?? []).flatMap((p): FittedPart[] =>
            p.work && works.some((w) => w.work === p.work)
              ? [{ name: p.name, work: p.work, source: p.source, rated_c: p.rated_c, at: fittedAt }]
              : [],
          ),
    minutes: { planned: repair?.plan.minutesPlanned ?? null, taken: repair?.plan.minutesTaken ?? null },
    cost: { planned: cost?.planned ?? null, actual: cost?.actual ?? null },
    tests: testEffects(input),
  };
}
