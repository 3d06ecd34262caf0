import { perCause, type Cause } from '@/core/base';
import { COURSE_LINE, flatLogs, VISIBILITY_LINE, type DriveEvidence } from '@/core/evidence';
import { startingVehicle } from '@/core/planning';
import { caseOf, type Case } from '@/core/case';
import type { Entry, KnownEntry } from '@/core/case';

/** A made-up car for the tests of the case. */
export const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

/** Evidence of a made-up drive: log likelihoods of its course. */
export const madeDrive = (course: Partial<Record<Cause, number>>): DriveEvidence => ({
  quality: { usable: true, problems: [] },
  log: null,
  evidence: [
    {
      ...{ id: COURSE_LINE, kind: 'course', seen: 'course', reason: '', source: 'trace' },
      logLikelihood: perCause((c) => course[c] ?? -4),
    },
    {
      ...{ id: VISIBILITY_LINE, kind: 'visibility', seen: 'shown', reason: '', source: 'trace' },
      logLikelihood: flatLogs(),
    },
  ],
});

/** A drive that cannot tell. */
export const hopeless = (): DriveEvidence => ({
  ...madeDrive({ 'thermostat-stuck-closed': 9 }),
  quality: { usable: false, problems: ['Hot start at 82 °C.'] },
});

type Draft = { [K in KnownEntry['kind']]: Omit<Extract<KnownEntry, { kind: K }>, 'id' | 'at'> }[KnownEntry['kind']];

/** Entries one after the other, a minute apart. */
export const chronicle = (...drafts: readonly Draft[]): Entry[] =>
  drafts.map((draft, i) => ({ ...draft, id: `e${i}`, at: 60_000 * (i + 1) }) as Entry);

/** A statement of the customer. */
export const said = (item: string): Draft => ({ kind: 'statement', item, answer: 'yes' });
/** A drive entry. */
export const drive = (traceId: string): Draft => ({ kind: 'drive', traceId, leftOut: '' });
/** Work done. */
export const work = (kind: Extract<KnownEntry, { kind: 'work' }>['work']): Draft => ({
  ...{ kind: 'work', work: kind, detail: '', benchPassed: false },
});

/** The case of a chronicle on the made-up car. */
export const made = (entries: readonly Entry[], drives: Readonly<Record<string, DriveEvidence>> = {}): Case =>
  caseOf({ vehicle: CAR, senderPoints: [], entries, drives: new Map(Object.entries(drives)) });

/** Odds by cause. */
export const oddsOf = (odds: Case['now']): Readonly<Record<Cause, number>> =>
  perCause((c) => odds.find((o) => o.cause === c)!.probability);
