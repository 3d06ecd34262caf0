import type { BenchTest } from '../bench';
import type { ActionKind } from './actions';
import type { DriveMarkKind } from './driveMarks';
import type { MeasurementName } from './measurements';
import type { ProofItem } from './proofItems';
import type { WorkKind } from './work';

interface EntryBase {
  readonly id: string;
  /** When it was so, ms since 1970. */
  readonly at: number;
  /** Taken back: kept and shown on demand, moves nothing. */
  readonly takenBack?: boolean | undefined;
}

/** A statement of the customer, answered by its key. */
export interface StatementEntry extends EntryBase {
  readonly kind: 'statement';
  readonly item: string;
  readonly answer: string;
}

/** A stored code with the frame frozen with it; once cleared it is a code of before. */
export interface CodeEntry extends EntryBase {
  readonly kind: 'code';
  readonly code: string;
  readonly freezeFrame: string;
  readonly clearedAt: number | null;
}

/** An item of the catalogue, answered by its key; of a drive with its minute. */
export interface CheckEntry extends EntryBase {
  readonly kind: 'check';
  readonly item: string;
  readonly answer: string;
  readonly minute: number | null;
}

/** Readings taken on one occasion, SI. */
export interface MeasurementEntry extends EntryBase {
  readonly kind: 'measurement';
  readonly name: MeasurementName;
  readonly values: Readonly<Record<string, number>>;
  /** Standard uncertainty of the instrument per value, where it is not the usual one. */
  readonly tolerance: Readonly<Record<string, number>>;
  readonly place: string;
  readonly text: string;
}

/** A logged drive. */
export interface DriveEntry extends EntryBase {
  readonly kind: 'drive';
  readonly traceId: string;
  /** Why a person left it out; empty while it counts. */
  readonly leftOut: string;
}

/** Something seen or read at a moment of a logged drive. */
export interface MarkEntry extends EntryBase {
  readonly kind: 'mark';
  readonly traceId: string;
  /** From the start of the drive. */
  readonly at_s: number;
  readonly mark: DriveMarkKind;
  readonly place: string;
  /** What was read there: °C, or the needle's share of its scale; null where seeing it is all. */
  readonly value: number | null;
  readonly text: string;
}

/** A bench test of a part: its readings, or an item of the catalogue answered by its key. */
export interface BenchEntry extends EntryBase {
  readonly kind: 'bench';
  /** Empty where the readings of a test stand. */
  readonly item: string;
  readonly answer: string;
  readonly test?: BenchTest | null | undefined;
  /** The part that came out, or the one that goes in: a new part's test says nothing of what was wrong. */
  readonly part: 'old' | 'new';
  readonly text: string;
}

/** What was done to the car. */
export interface WorkEntry extends EntryBase {
  readonly kind: 'work';
  readonly work: WorkKind;
  /** Rating, source, part, in the words of the person. */
  readonly detail: string;
  /** The new part was bench-tested before it went in. */
  readonly benchPassed: boolean;
}

/** What was chosen to do, and why. */
export interface DecisionEntry extends EntryBase {
  readonly kind: 'decision';
  readonly action: ActionKind;
  readonly reason: string;
}

/** What was shown after the work, by its key, or in words alone. */
export interface ProofEntry extends EntryBase {
  readonly kind: 'proof';
  /** Empty where it is words alone. */
  readonly item: ProofItem | '';
  readonly answer: string;
  readonly text: string;
  /** Of a verdict: the drive that it rests on, and the one of before that it was held against; empty without. */
  readonly traceId: string;
  readonly beforeId: string;
  /** Of a verdict: who signed it. */
  readonly by: string;
}

/** Words. */
export interface NoteEntry extends EntryBase {
  readonly kind: 'note';
  readonly stage: string;
  readonly text: string;
}

/** A picture, kept apart. */
export interface PhotoEntry extends EntryBase {
  readonly kind: 'photo';
  readonly photoId: string;
}

/** An entry of a newer version, or edited by hand: kept as it is, shown as such, moves nothing. */
export interface UnknownEntry extends EntryBase {
  readonly kind: 'unknown';
  readonly why: string;
  /** As it was found. */
  readonly original: Readonly<Record<string, unknown>>;
}

/** An entry that this version understands. */
export type KnownEntry =
  | StatementEntry
  | CodeEntry
  | CheckEntry
  | MeasurementEntry
  | DriveEntry
  | MarkEntry
  | BenchEntry
  | WorkEntry
  | DecisionEntry
  | ProofEntry
  | NoteEntry
  | PhotoEntry;

/** One dated entry of a job's chronicle. */
export type Entry = KnownEntry | UnknownEntry;

/** Kinds of entries that this version understands. */
export type EntryKind = KnownEntry['kind'];

/** In order of time; entries of one moment as they were given. A cleared code speaks of before it was cleared. */
export function inOrder<E extends Entry>(entries: readonly E[]): E[] {
  const when = (e: Entry) => (e.kind === 'code' && e.clearedAt !== null ? Math.min(e.at, e.clearedAt - 1) : e.at);
  return entries
    .map((entry, i) => ({ entry, i }))
    .sort((a, b) => when(a.entry) - when(b.entry) || a.i - b.i)
    .map(({ entry }) => entry);
}
