import { CAUSES, type Cause, type ChannelSet, type Vehicle } from '../base';
import { ACTION_KINDS, type ActionKind } from '../case';
import { isAnswer, type DriveEvidence } from '../evidence';
import type { DrivePlan } from '../planning';
import type { LevelName } from './level';

/** An item of the catalogue with its answer. */
export interface Answered {
  readonly item: string;
  readonly answer: string;
}

interface StepBase {
  readonly id: string;
  /** ms since 1970. */
  readonly at: number;
}

/** A test that was paid for. */
export interface TestStep extends StepBase, Answered {
  readonly kind: 'test';
}

/** What Varmek made of a drive, with what a sound car would have shown on it. */
export interface PracticeFinding extends DriveEvidence {
  readonly curves?: {
    readonly time_s: ArrayLike<number>;
    readonly healthyLow_c: ArrayLike<number>;
    readonly healthyHigh_c: ArrayLike<number>;
  };
}

/** A finding as far as practice needs it: a whole one is many times as large. */
export function bareFinding(finding: PracticeFinding): PracticeFinding {
  const { quality, evidence, log, curves } = finding;
  const { time_s, healthyLow_c, healthyHigh_c } = curves ?? {};
  const band = time_s && healthyLow_c && healthyHigh_c ? { curves: { time_s, healthyLow_c, healthyHigh_c } } : {};
  return { quality, evidence, log, ...band };
}

/** A logged drive; the log is kept beside the sheet, by the step's id. */
export interface DriveStep extends StepBase {
  readonly kind: 'drive';
  readonly plan: DrivePlan;
  /** What Varmek made of it; null until it is judged. */
  readonly finding: PracticeFinding | null;
}

/** A decision: what it is held to be, how surely, what was done about it. */
export interface RepairStep extends StepBase {
  readonly kind: 'repair';
  readonly cause: Cause;
  /** 0 to 1. */
  readonly certainty: number;
  readonly action: ActionKind;
  readonly cured: boolean;
}

/** One step through a practice case. */
export type PracticeStep = TestStep | DriveStep | RepairStep;

/** Where a case comes from. */
export type PracticeSource =
  | { readonly kind: 'drawn'; readonly level: LevelName; readonly seed: number; readonly channelSet: ChannelSet }
  | {
      readonly kind: 'job';
      /** All that was found on the job: nothing else can be asked. */
      readonly answers: readonly Answered[];
      /** How the drive of the job was judged; null where none was logged. */
      readonly finding: PracticeFinding | null;
    };

/** What came of a case, as it stood when its answer was shown: later figures of the shop do not change old scores. */
export interface PracticeResult {
  /** 0 to 100: Varmek's cost, or yours if less, against yours; 0 where the car was not cured. */
  readonly score: number;
  /** Your first decision; null where none was made. */
  readonly first: { readonly cause: Cause; readonly certainty: number; readonly right: boolean } | null;
  /** What Varmek held most likely on the same evidence at your first decision, or at the end. */
  readonly varmekSays: { readonly cause: Cause; readonly share: number; readonly right: boolean };
}

/** A practice case as far as it has come. */
export interface PracticeSheet {
  readonly schema: 'varmek-practice/1';
  readonly source: PracticeSource;
  readonly vehicle: Vehicle;
  readonly ambient_c: number | null;
  /** What stands on the job card when the car comes in. */
  readonly given: readonly Answered[];
  /** What is wrong, and how it came about; not shown before the end. */
  readonly truth: { readonly causes: readonly Cause[]; readonly way: string };
  readonly steps: readonly PracticeStep[];
  /** The answer was looked at: nothing moves any more. */
  readonly endedAt: number | null;
  /** Once every drive of an ended case is judged. */
  readonly result?: PracticeResult | undefined;
}

const isRecord = (v: unknown): v is Readonly<Record<string, unknown>> => typeof v === 'object' && v !== null;
const isCause = (v: unknown): boolean => CAUSES.some((c) => c === v);
const isAnswered = (v: unknown): boolean => isRecord(v) && isAnswer(String(v.item), String(v.answer));

function isStep(v: unknown): boolean {
  if (!isRecord(v) || typeof v.id !== 'string' || typeof v.at !== 'number') return false;
  switch (v.kind) {
    case 'test':
      return isAnswered(v);
    case 'drive':
      return isRecord(v.plan) && Array.isArray(v.plan.phases) && (v.finding === null || isRecord(v.finding));
    case 'repair':
      return isCause(v.cause) && ACTION_KINDS.some((a) => a === v.action) && typeof v.certainty === 'number';
    default:
      return false;
  }
}

const isClaim = (v: unknown): boolean => isRecord(v) && isCause(v.cause) && typeof v.right === 'boolean';

const isResult = (v: unknown): boolean =>
  isRecord(v) && typeof v.score === 'number' && (v.first === null || isClaim(v.first)) && isClaim(v.varmekSays);

/** Reads a kept practice case; null where this version does not understand it. */
export function readPractice(value: unknown): PracticeSheet | null {
  if (!isRecord(value) || value.schema !== 'varmek-practice/1') return null;
  const { source, vehicle, given, truth, steps } = value;
  const reads =
    isRecord(source) &&
    (source.kind === 'drawn' || source.kind === 'job') &&
    isRecord(vehicle) &&
    Array.isArray(given) &&
    given.every(isAnswered) &&
    isRecord(truth) &&
    Array.isArray(truth.causes) &&
    truth.causes.length > 0 &&
    truth.causes.every(isCause) &&
    Array.isArray(steps) &&
    steps.every(isStep) &&
    (value.result === undefined || isResult(value.result));
  return reads ? (value as unknown as PracticeSheet) : null;
}
