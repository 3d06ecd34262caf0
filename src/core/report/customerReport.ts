import { isCause, type Vehicle } from '../base';
import {
  inOrder,
  type Case,
  type Entry,
  type ProofEntry,
  type ProofVerdict,
  type StatementEntry,
  type WorkEntry,
} from '../case';
import type { ClosingSheet, DueDay } from '../closing';
import type { FeatureChange } from '../desk';
import { findItem, headlineOf, sameAct, type Grade } from '../evidence';
import { insideNow, type RepairSheet } from '../repair';
import { howSure, PLAIN_CAUSE, PLAIN_OTHER, PLAIN_VERDICT, PLAIN_WORK } from './plainWords';

/** Before and after on one axis: the reading of each drive by minutes from its start, °C; null is a hole. */
export interface ReportCurves {
  readonly minutes: readonly number[];
  readonly before_c: readonly (number | null)[] | null;
  readonly after_c: readonly (number | null)[] | null;
  /** Where a sound vehicle lies on the later drive. */
  readonly soundLow_c: readonly (number | null)[] | null;
  readonly soundHigh_c: readonly (number | null)[] | null;
}

/** What a customer is told, in plain words and SI. */
export interface CustomerReport {
  readonly vehicle: { readonly plate: string; readonly label: string; readonly odometer_km: number | null };
  readonly arrivedAt: number;
  /** In their own words, and what they said yes to. */
  readonly complaint: string;
  readonly said: readonly string[];
  /** What was wrong at arrival, by all that is known now. */
  readonly found: { readonly text: string; readonly howSure: string; readonly grade: Grade };
  /** Where several repairs share the credit, that it cannot be told which. */
  readonly notSeparable: string | null;
  readonly done: readonly string[];
  readonly parts: readonly { readonly name: string; readonly rated_c: number | null; readonly warrantyUntil: string }[];
  readonly coolant: { readonly litres: number; readonly pct: number | null } | null;
  readonly verdict: {
    readonly verdict: ProofVerdict | null;
    readonly text: string;
    readonly signedBy: string;
    readonly at: number | null;
  };
  readonly changes: readonly FeatureChange[];
  /** Whether before and after may be compared; null without both drives. */
  readonly comparable: boolean | null;
  readonly notProven: readonly string[];
  readonly watch: readonly string[];
  readonly due: readonly DueDay[];
}

/** What a customer's report is made from. */
export interface CustomerReportInput {
  readonly vehicle: Vehicle;
  readonly plate: string;
  readonly mileage_km: number | null;
  readonly arrivedAt: number;
  readonly complaint: string;
  readonly entries: readonly Entry[];
  readonly case: Case;
  readonly repair: RepairSheet | null;
  readonly closing: ClosingSheet;
  readonly changes: readonly FeatureChange[];
  readonly comparable: boolean | null;
  readonly notProven: readonly string[];
  readonly due: readonly DueDay[];
}

/** How sure it is where a person's finding stands in place of the odds. */
const FOUND_BY_HAND = {
  found: 'Found on the car itself.',
  open: 'Nobody has seen yet what it is.',
} as const;

const UNPROVEN_WORDS = 'No drive after the repair has shown yet that it is cured.';

function coolantOf(repair: RepairSheet | null, vehicle: Vehicle): CustomerReport['coolant'] {
  if (!repair) return null;
  const litres = repair.drain.lines.filter((x) => x.kind === 'added').reduce((s, x) => s + x.l, 0);
  if (litres === 0) return null;
  const inside = insideNow(repair.drain, vehicle.coolant.volume_l);
  return { litres, pct: inside.ok ? inside.value.pct : null };
}

/** What a customer is told: complaint, finding with how sure it is, what was done, what it brought, what to watch. */
export function customerReport(input: CustomerReportInput): CustomerReport {
  const { vehicle, plate, mileage_km, case: found, repair, closing } = input;
  const entries = inOrder(input.entries.filter((e) => e.takenBack !== true));
  const works = entries.filter((e): e is WorkEntry => e.kind === 'work');
  const arrival = headlineOf(found.atArrival);
  const fault = repair?.plan.fault ?? null;
  // What a person found goes before the odds: also that it was none of the causes, or is not known.
  const other = fault !== null && !isCause(fault) ? PLAIN_OTHER[fault] : null;
  const cause = fault !== null && isCause(fault) ? fault : arrival.parts[0]!.cause;
  const asFound = fault !== null && (other !== null || !sameAct(arrival.parts[0]!.cause).includes(cause));
  const verdict = entries.findLast((e): e is ProofEntry => e.kind === 'proof' && e.item === 'verdict') ?? null;
  const key = (verdict?.answer as ProofVerdict | undefined) ?? null;
  const named = arrival.share !== null || fault !== null;
  const said = entries.filter((e): e is StatementEntry => e.kind === 'statement' && e.answer === 'yes');
  const watch = [
    ...(closing.toWatch === '' ? [] : [closing.toWatch]),
    ...(other ? other.watch : named ? [PLAIN_CAUSE[cause].watch] : []),
    ...(works.length > 0 ? ['Look under the car in the first days: a wet place is worth a visit.'] : []),
  ];
  return {
    vehicle: { plate, label: vehicle.label, odometer_km: closing.odometer_km ?? mileage_km },
    arrivedAt: input.arrivedAt,
    complaint: input.complaint,
    said: [...new Set(said.map((e) => findItem(e.item)?.ask ?? e.item))],
    found: {
      text: other?.found ?? (named ? PLAIN_CAUSE[cause].found : 'It could not be told what is wrong.'),
      howSure: asFound
        ? FOUND_BY_HAND[fault === 'not-known' ? 'open' : 'found']
        : howSure(arrival.grade, arrival.share),
      grade: arrival.grade,
    },
    notSeparable: found.separability && !found.separability.separable ? found.separability.says : null,
    done: [...new Set(works.map((w) => PLAIN_WORK[w.work]))],
    parts: (repair?.plan.parts ?? [])
      .filter((p) => p.work === null || works.some((w) => w.work === p.work))
      .map(({ name, rated_c, warrantyUntil }) => ({ name, rated_c, warrantyUntil })),
    coolant: coolantOf(repair, vehicle),
    verdict: {
      verdict: key,
      text: key ? PLAIN_VERDICT[key] : works.length > 0 ? UNPROVEN_WORDS : 'Nothing was repaired on this visit.',
      signedBy: verdict?.by ?? '',
      at: verdict?.at ?? null,
    },
    changes: input.changes,
    comparable: input.comparable,
    notProven: key === 'proven' ? [] : input.notProven,
    watch,
    due: input.due,
  };
}
