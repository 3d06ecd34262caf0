import { inOrder, isColdLevel, levelsOf, WORK, type Entry, type WorkEntry } from '../case';
import { EXCEPTIONS, type RepairSheet } from '../repair';
import type { ClosingSheet } from './sheet';

/** Why a day stands in the calendar. */
export type DueKind = 'look-again' | 'level' | 'leaks' | 'exception' | 'deposit' | 'service' | 'warranty';

/** A day on which something is due for a job. */
export interface DueDay {
  readonly kind: DueKind;
  /** Local day, ISO. */
  readonly on: string;
  readonly says: string;
}

/** What days follow from. */
export interface DueInput {
  readonly entries: readonly Entry[];
  readonly repair: RepairSheet | null;
  readonly closing: ClosingSheet | null;
  /** Day on which the job is looked at again, ISO; null where it stands otherwise. */
  readonly lookAgainOn: string | null;
  readonly finished: boolean;
}

const DAY_MS = 86_400_000;
/** Days after the work on which level and leaks are looked at. */
const LEVEL_DAYS = 1;
const LEAK_DAYS = 3;
/** A deposit that was not sent back by then is forgotten. */
const DEPOSIT_DAYS = 14;

/** Local calendar day of a moment, ISO. */
export function dayOf(at_ms: number): string {
  const d = new Date(at_ms);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
}

const isDay = (on: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(on);

/** Every day that is due for a job, earliest first. What was done meanwhile is no longer due. */
export function dueDays({ entries, repair, closing, lookAgainOn, finished }: DueInput): DueDay[] {
  const live = inOrder(entries.filter((e) => e.takenBack !== true));
  const last = live.findLastIndex((e) => e.kind === 'work');
  const worked = live[last] as WorkEntry | undefined;
  const opened = live.some((e) => e.kind === 'work' && WORK[e.work].opens);
  const after = live.slice(last + 1);
  // A level of a warm engine is none, and the same day is not the second one.
  const levelRead =
    worked !== undefined &&
    levelsOf(entries, repair?.bleed.levels).some((l) => isColdLevel(l) && l.at - worked.at > DAY_MS / 3);
  // Dry two hours after the work says nothing of a seep: what the acceptance asks for stays due.
  const leaksSeen = after.some(
    (e) => e.kind === 'proof' && e.item === 'leaks-later' && worked !== undefined && e.at - worked.at > DAY_MS / 3,
  );
  const days: DueDay[] = [];
  const add = (kind: DueKind, on: string, says: string) => {
    if (isDay(on)) days.push({ kind, on, says });
  };
  if (lookAgainOn !== null) add('look-again', lookAgainOn, 'Look at it again');
  // A repair that did not cure is done again: what was due after it is no longer.
  const dropped = after.some((e) => e.kind === 'proof' && e.item === 'verdict' && e.answer === 'not-cured');
  if (worked && opened && !finished && !dropped) {
    if (!levelRead) add('level', dayOf(worked.at + LEVEL_DAYS * DAY_MS), 'Cold level on the second day');
    if (!leaksSeen) add('leaks', dayOf(worked.at + LEAK_DAYS * DAY_MS), 'Look for leaks again');
  }
  for (const e of repair?.plan.exceptions ?? [])
    add('exception', e.reviewOn, `${EXCEPTIONS[e.kind].says}: look at it again`);
  const repairedAt = worked?.at ?? repair?.closedAt ?? null;
  for (const p of repair?.plan.parts ?? []) {
    if ((p.deposit ?? 0) > 0 && p.depositBackAt === null && repairedAt !== null) {
      add(
        'deposit',
        dayOf(repairedAt + DEPOSIT_DAYS * DAY_MS),
        `Send the old ${p.name.toLowerCase()} back for its deposit`,
      );
    }
    if (p.warrantyUntil !== '') add('warranty', p.warrantyUntil, `Warranty of the ${p.name.toLowerCase()} ends`);
  }
  if (closing && closing.nextDue.on !== '') {
    const { what, on, at_km } = closing.nextDue;
    add('service', on, `${what === '' ? 'Next service' : what}${at_km === null ? '' : ', or by distance before'}`);
  }
  return days.sort((a, b) => a.on.localeCompare(b.on));
}
