import type { CauseFamily, ChannelName, Trace, Vehicle } from '@/core/base';
import type { Finding } from '@/core/judge';
import type { Alignment, ImportReport, LoggedSeries, ReadOptions } from '@/core/formats';
import type { Phase } from '@/core/plant';
import type { Run } from '@/core/procedure';
import type { CurvePoint } from '@/core/sender';
import type { VehicleMemory } from '@/core/twin';

/** Where a job stands. */
export const JOB_STATES = [
  'to-look-at',
  'drive-planned',
  'waiting-for-part',
  'to-prove',
  'look-again',
  'finished',
] as const;
export type JobState = (typeof JOB_STATES)[number];

/** A part that was replaced once. */
export interface ReplacedPart {
  readonly part: string;
  /** When, in the words or the date the person knew. */
  readonly when: string;
  /** Rating or make of the part as far as known. */
  readonly detail: string;
}

/** A vehicle as the shop keeps it: the vehicle file plus what tells it apart in the yard. */
export interface VehicleRecord {
  readonly id: string;
  readonly vehicle: Vehicle;
  /** Fleet name or plate. */
  readonly plate: string;
  readonly notes: string;
  /** Engine code or trim that decides the procedure; empty when not known. */
  readonly variant: string;
  readonly mileage_km: number | null;
  /** Points of its coolant sender's curve; fewer than three: not known. */
  readonly senderPoints: readonly CurvePoint[];
  /** Parts replaced so far, latest first. */
  readonly parts: readonly ReplacedPart[];
  /** What its known-good traces taught; null before the first. */
  readonly memory: VehicleMemory | null;
  /** The traces that the memory was learned from. */
  readonly goodTraceIds: readonly string[];
  readonly createdAt: number;
  readonly updatedAt: number;
}

/** A planned drive. */
export interface PlanRecord {
  readonly phases: readonly Phase[];
  readonly ambient_c: number;
  readonly heater_pct: number;
  /** Engine above outside air at the start, K: 0 after a night. */
  readonly startExcess_k: number;
  readonly limit_c: number;
  /** Highest place of the drive, m; null or absent: the shop's own height. */
  readonly altitude_m?: number | null;
}

/** Procedures that this version times. */
export type RunKind = 'drive' | 'pot' | 'bleed' | 'flush' | 'cool' | 'cure' | 'soak' | 'cleaner';

/** A procedure being timed: kept so that a reload does not lose it. */
export interface RunRecord extends Run {
  readonly id: string;
  readonly jobId: string;
  /** A {@link RunKind}; another version's is kept as it came. */
  readonly procedure: string;
}

/** One run of a kind per job: two tabs that start it start the same one. */
export const runId = (jobId: string, procedure: string): string => `${jobId} ${procedure}`;

/** A repair as it is kept: read with `readSheet`. */
export interface RepairRecord {
  readonly id: string;
  readonly jobId: string;
  readonly startedAt: number;
  readonly updatedAt: number;
  readonly sheet: unknown;
}

/** The closing of a job, one for each: read with `readClosing`. */
export interface ClosingRecord {
  /** The job's id. */
  readonly id: string;
  readonly jobId: string;
  readonly updatedAt: number;
  readonly sheet: unknown;
}

/** A procedure that the shop wrote: read with `readProcedure`. */
export interface ProcedureRecord {
  readonly id: string;
  readonly updatedAt: number;
  readonly procedure: unknown;
}

/** A photo taken at some stage of a job. */
export interface PhotoRecord {
  readonly id: string;
  readonly jobId: string;
  readonly stage: string;
  readonly caption: string;
  readonly at: number;
  readonly image: Blob;
}

/** Where a job stands; one to look at again has its day, ISO. */
export type JobStanding =
  { readonly state: 'look-again'; readonly lookAgainOn: string } | { readonly state: Exclude<JobState, 'look-again'> };

/** A job: one complaint about one vehicle. What is known of it stands in its entries. */
export type JobRecord = JobFields & JobStanding;

interface JobFields {
  readonly id: string;
  readonly vehicleId: string;
  /** The customer's words. */
  readonly complaint: string;
  /** When it happens, in words: speed, load, minutes from the start. */
  readonly conditions: string;
  readonly plan: PlanRecord | null;
  readonly createdAt: number;
  readonly updatedAt: number;
  /** Counts changes to what the job's odds follow from. */
  readonly revision: number;
}

/** An entry of a job's chronicle as it is kept: read with `readEntry`, so that what is not understood stays whole. */
export interface EntryRecord {
  readonly id: string;
  readonly jobId: string;
  readonly at: number;
  readonly [field: string]: unknown;
}

/** What the list shows of a job, with what it was worked out from; worked out again when that changes. */
export interface SummaryRecord {
  readonly jobId: string;
  readonly basis: string;
  readonly text: string;
  readonly share: number | null;
  readonly family: CauseFamily;
  /** Nothing is known yet. */
  readonly empty: boolean;
  /** Sound after work, not shown by a drive since. */
  readonly expected: boolean;
}

/** An imported trace, kept whole: the canonical samples and the file as it came. */
export interface TraceRecord {
  readonly id: string;
  readonly jobId: string;
  readonly vehicleId: string;
  readonly fileName: string;
  readonly importedAt: number;
  readonly raw: Blob;
  readonly trace: Trace;
  readonly report: ImportReport;
  /** What a person chose about the file; the raw file with them gives the trace again. */
  readonly options: ReadOptions;
  /** Made by the simulated adapter, not by a car: said wherever it is shown. */
  readonly simulated?: boolean;
  /** A second log of the same drive, laid beside; null or absent without one. */
  readonly companion?: CompanionLog | null;
  /** Whether the judge should take it up; a stopped or failed judgement waits for the user. */
  readonly judging:
    { readonly state: 'wanted' | 'done' | 'stopped' } | { readonly state: 'failed'; readonly message: string };
}

/** A second log of a drive: thermocouples on hose, housing, heater. */
export interface CompanionLog {
  readonly fileName: string;
  readonly raw: Blob;
  readonly series: LoggedSeries;
  readonly alignment: Alignment;
  /** Which of its columns, by number, stand in the trace as which channel. */
  readonly channels: Readonly<Record<number, ChannelName>>;
  /** The trace before the second log was laid beside it. */
  readonly alone: Trace;
}

/** The judgement of a trace; made again when the vehicle changes. */
export interface FindingRecord {
  readonly traceId: string;
  readonly jobId: string;
  readonly judgedAt: number;
  readonly finding: Finding;
}

/** A small setting: units, theme, whether the demo was loaded. */
export interface SettingRecord {
  readonly key: string;
  readonly value: unknown;
}

/** Where the shop's own figures stand among the settings. */
export const FIGURES_KEY = 'figures';

/** A log of a batch that is judged without a job. */
export interface TriageRecord {
  readonly id: string;
  readonly fileName: string;
  readonly raw: Blob;
  /** Null while nobody has said whose log it is. */
  readonly vehicleId: string | null;
  readonly addedAt: number;
  /** The job that was opened on it. */
  readonly jobId?: string;
  readonly outcome:
    | { readonly state: 'waiting' }
    | { readonly state: 'refused'; readonly message: string; readonly asksColumns?: boolean }
    | {
        readonly state: 'judged';
        readonly trace: Trace;
        readonly report: ImportReport;
        readonly options: ReadOptions;
        readonly finding: Finding;
      };
}

/** A warm-up being logged live, row by row. */
export interface RecordingRecord {
  readonly id: string;
  readonly jobId: string;
  readonly startedAt: number;
  /** Where its readings come from: simulated ones never go on in a real recording, nor the other way round. */
  readonly source: 'adapter' | 'simulated adapter';
  readonly rows: readonly RecordedRow[];
  readonly marks: readonly RecordedMark[];
}

/** One round of readings: seconds from the start and the channels that answered. */
export interface RecordedRow {
  readonly time_s: number;
  readonly values: Readonly<Partial<Record<ChannelName, number>>>;
}

/** A word of the person at the screen, at its time. */
export interface RecordedMark {
  readonly time_s: number;
  readonly text: string;
}

/** One row as a person's change left it, and as it was before: the rows of one change share their group. */
export interface JournalRecord {
  /** Given by the store, rising. */
  readonly id?: number;
  readonly group: string;
  /** What it belongs to: a job, a vehicle. */
  readonly scope: string;
  readonly at: number;
  readonly table: string;
  readonly key: string;
  /** Null where it was not there. */
  readonly before: Readonly<Record<string, unknown>> | null;
  /** Null where it was taken away. */
  readonly after: Readonly<Record<string, unknown>> | null;
  readonly undone?: boolean;
}

/** Kinds of things that are deleted. */
export const BIN_KINDS = [
  'job',
  'bench',
  'trace',
  'photo',
  'recording',
  'vehicle',
  'procedure',
  'logs',
  'practice',
] as const;
export type BinKind = (typeof BIN_KINDS)[number];

/** Something deleted, whole, until it is put back or its time is over. */
export interface BinRecord {
  readonly id: string;
  readonly deletedAt: number;
  readonly kind: BinKind;
  /** What it was, in words. */
  readonly label: string;
  /** Its rows, by table. */
  readonly rows: Readonly<Record<string, readonly unknown[]>>;
}

/** A row of a file being restored, before all of them take their places at once. */
export interface StagedRecord {
  /** Given by the store, rising. */
  readonly id?: number;
  readonly table: string;
  readonly row: Readonly<Record<string, unknown>>;
}
