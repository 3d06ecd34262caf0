import { duration_s, type Trace, type Vehicle } from '../base';
import { inOrder, type Entry } from '../case';
import { findItem } from '../evidence';
import type { Truth } from '../history';
import type { DrivePlan } from '../planning';
import type { Answered, PracticeFinding, PracticeSheet } from './sheet';

/** What is known of a closed job. */
export interface ClosedJob {
  readonly vehicle: Vehicle;
  readonly entries: readonly Entry[];
  readonly truth: Truth;
  readonly finding: PracticeFinding | null;
}

/** What was answered by key before any work was done; the last answer of an item counts. */
function answersOf(entries: readonly Entry[]): Answered[] {
  const standing = inOrder(entries.filter((e) => e.takenBack !== true));
  const work = standing.findIndex((e) => e.kind === 'work');
  const before = work < 0 ? standing : standing.slice(0, work);
  const answers = new Map<string, Answered>();
  for (const e of before) {
    const named = e.kind === 'check' || e.kind === 'statement' || (e.kind === 'bench' && e.part === 'old');
    if (named && findItem(e.item)) answers.set(e.item, { item: e.item, answer: e.answer });
    if (e.kind === 'code' && findItem(`code-${e.code}`)) {
      answers.set(`code-${e.code}`, { item: `code-${e.code}`, answer: 'yes' });
    }
  }
  return [...answers.values()];
}

const onCard = ({ item }: Answered): boolean => ['complaint', 'code'].includes(findItem(item)?.stage ?? '');

/**
 * A practice case from a closed job, with nothing in it that tells whose it was: of the vehicle only its kind and its
 * figures, of the entries only keys; no words, names, plates, days, places or pictures.
 *
 * @returns null where the job holds nothing that could be asked
 */
export function practiceFromJob({ vehicle, entries, truth, finding }: ClosedJob): PracticeSheet | null {
  const answers = answersOf(entries);
  const given = answers.filter(onCard);
  const toAsk = answers.filter((a) => !onCard(a));
  if (toAsk.length === 0 && !finding) return null;
  return {
    schema: 'varmek-practice/1',
    source: { kind: 'job', answers: toAsk, finding },
    vehicle: { ...vehicle, label: `${vehicle.engine.displacement_l.toFixed(1)} ${vehicle.engine.fuel}` },
    ambient_c: null,
    given,
    truth: { causes: truth.causes, way: '' },
    steps: [],
    endedAt: null,
  };
}

/** A log without anything but its figures. */
export const bareTrace = ({ time_s, channels }: Trace): Trace => ({ time_s, channels });

/** The kept drive of a job as a plan: what counts of it is how long it takes. */
export const planOfTrace = (trace: Trace): DrivePlan => ({
  phases: [{ kind: 'road', duration_s: duration_s(trace) }],
  ambient_c: 0,
  heater_pct: 0,
  startExcess_k: 0,
});
