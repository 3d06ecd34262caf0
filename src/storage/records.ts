import type { ChannelName, Trace, Vehicle } from '@/core/base';
import type { Answer, Finding, SoakReadings } from '@/core/diagnosis';
import type { Alignment, ImportReport, LoggedSeries, ReadOptions } from '@/core/formats';
import type { Phase } from '@/core/plant';
import type { CurvePoint } from '@/core/sender';
import type { VehicleMemory } from '@/core/twin';

/** Where a job stands. */
export const JOB_STATES = ['to-look-at', 'drive-planned', 'waiting-for-part', 'to-prove', 'look-again'] as const;
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

/** An answer to an item of the evidence catalogue, with when and in which words it was given. */
export interface AnswerRecord extends Answer {
  readonly at: number;
  /** The reading behind it, or minutes from the start; empty when only ticked. */
  readonly detail: string;
}

/** A stored code with the frame that was frozen with it. */
export interface CodeRecord {
  readonly code: string;
  readonly freezeFrame: string;
}

/** Readings of the cold look, SI; null: not taken. */
export interface ColdReadings extends SoakReadings {
  readonly level_mm: number | null;
  readonly levelAt_c: number | null;
  readonly freeze_c: number | null;
  readonly coolantColour: string;
  readonly coolantYears: number | null;
  readonly capRated_kpa: number | null;
  readonly capMeasured_kpa: number | null;
  readonly ohmCold_ohm: number | null;
  readonly ohmCold_c: number | null;
  readonly ohmWarm_ohm: number | null;
  readonly ohmWarm_c: number | null;
  readonly notes: string;
}

/** A planned drive. */
export interface PlanRecord {
  readonly phases: readonly Phase[];
  readonly ambient_c: number;
  readonly heater_pct: number;
  /** Engine above outside air at the start, K: 0 after a night. */
  readonly startExcess_k: number;
  readonly limit_c: number;
}

/** A drive being timed: kept so that a reload does not lose it. */
export interface StopwatchRecord {
  /** When it was started last, ms; null while it stands. */
  readonly runningSince: number | null;
  /** What had run before, s. */
  readonly elapsed_s: number;
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

/** A job: one complaint about one vehicle. */
export interface JobRecord {
  readonly id: string;
  readonly vehicleId: string;
  /** The customer's words. */
  readonly complaint: string;
  readonly state: JobState;
  /** Day to look again, ISO; empty when none is set. */
  readonly lookAgainOn: string;
  readonly answers: readonly AnswerRecord[];
  /** When it happens: outside temperature, speed, load, minutes from the start. */
  readonly conditions: string;
  readonly codes: readonly CodeRecord[];
  readonly cold: ColdReadings | null;
  readonly plan: PlanRecord | null;
  readonly stopwatch: StopwatchRecord | null;
  readonly createdAt: number;
  readonly updatedAt: number;
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

/** Readings before any was taken. */
export const NO_COLD_READINGS: ColdReadings = {
  level_mm: null,
  levelAt_c: null,
  freeze_c: null,
  coolantColour: '',
  coolantYears: null,
  capRated_kpa: null,
  capMeasured_kpa: null,
  soak_h: null,
  soakEct_c: null,
  soakIat_c: null,
  soakOutside_c: null,
  soakProbe_c: null,
  unplugged_c: null,
  bridged_c: null,
  ohmCold_ohm: null,
  ohmCold_c: null,
  ohmWarm_ohm: null,
  ohmWarm_c: null,
  notes: '',
};

/** A small setting: units, theme, whether the demo was loaded. */
export interface SettingRecord {
  readonly key: string;
  readonly value: unknown;
}

/** A log of a batch that is judged without a job. */
export interface TriageRecord {
  readonly id: string;
  readonly fileName: string;
  readonly raw: Blob;
  /** Null while nobody has said whose log it is. */
  readonly vehicleId: string | null;
  readonly addedAt: number;
  readonly outcome:
    | { readonly state: 'waiting' }
    | { readonly state: 'refused'; readonly message: string }
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
  /** Source of the readings, for the file's name. */
  readonly source: string;
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
