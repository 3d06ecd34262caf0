import { CAUSES, isFault, type Cause, type ChannelSet } from '../../src/core/base';
import { type HypothesisReport, judgeNow } from '../../src/core/judge';
import type { Grade } from '../../src/core/evidence';
import { drawScenario, type ScenarioRequest } from '../../src/core/plant';

/** One judged exam case. */
export interface ExamCase {
  readonly seed: number;
  readonly truth: Cause;
  readonly channelSet: ChannelSet;
  readonly hotStart: boolean;
  readonly effect_k: number;
  readonly ambient_c: number;
  readonly verdict: Cause;
  readonly probability: number;
  readonly grade: Grade;
  readonly usable: boolean;
  readonly bins: number;
  readonly milliseconds: number;
  readonly hypotheses: readonly HypothesisReport[];
  readonly evidence: Readonly<Record<string, Readonly<Record<Cause, number>>>>;
  /** Odds of every cause, so that rules of naming can be tried on a dump without judging again. */
  readonly odds: Readonly<Partial<Record<Cause, number>>>;
}

/** The channel sets that take turns in an exam. */
export const CHANNEL_SETS: readonly ChannelSet[] = ['full', 'basic', 'temperature-only'];
/** Share of sound vehicles among the cases, and of hopeless starts. */
const HEALTHY_EVERY = 4;
const HOT_EVERY = 23;

/** An exam: how many cases, from which seed, and of one channel set only or of all in turn. */
export interface ExamRequest {
  readonly count: number;
  readonly seed: number;
  readonly only: ChannelSet | null;
  /** Sound cars only. */
  readonly sound?: boolean;
  /** Folder of a field set, for an exam on one. */
  readonly folder?: string;
  /** File of drives with their figures, for an exam of those left out of learning. */
  readonly casesFile?: string;
  /** How often each drive is told, of those to learn from: `count` is of all of them. */
  readonly tellings?: number;
}

/** What case `index` of an exam asks for: causes and channel sets take turns, so that small exams cover all. */
export function requestFor(
  index: number,
  { seed, only, sound: soundOnly = false }: Omit<ExamRequest, 'count'>,
): ScenarioRequest {
  const channelSet = only ?? CHANNEL_SETS[index % CHANNEL_SETS.length]!;
  const faults = CAUSES.filter(isFault);
  const round = only ? index : Math.floor(index / CHANNEL_SETS.length);
  const sound = soundOnly || round % HEALTHY_EVERY === 0;
  const cause = sound
    ? Math.floor(soundOnly ? round : round / HEALTHY_EVERY) % 3 === 2
      ? 'insufficient-heat'
      : 'healthy'
    : faults[(round - Math.floor(round / HEALTHY_EVERY)) % faults.length]!;
  return { seed: seed + index, cause, channelSet, hotStart: round % HOT_EVERY === HOT_EVERY - 1 };
}

/** Draws and judges case `index`. A gauge fault is always drawn with its gauge logged. */
export function runCase(index: number, exam: Omit<ExamRequest, 'count'>): ExamCase {
  const request = requestFor(index, exam);
  const scenario = drawScenario(request.cause === 'gauge-sender-fault' ? { ...request, channelSet: 'full' } : request);
  const started = performance.now();
  const finding = judgeNow(scenario.trace, scenario.vehicle);
  return {
    seed: scenario.seed,
    truth: scenario.cause,
    channelSet: scenario.channelSet,
    hotStart: scenario.hotStart,
    effect_k: scenario.effect_k,
    ambient_c: scenario.conditions.ambient_c,
    verdict: finding.verdict.cause,
    probability: finding.verdict.probability,
    grade: finding.verdict.grade,
    usable: finding.quality.usable,
    bins: finding.curves.measured_c.filter(Number.isFinite).length,
    milliseconds: performance.now() - started,
    hypotheses: finding.hypotheses,
    evidence: Object.fromEntries(finding.evidence.map((l) => [l.id, l.logLikelihood])),
    odds: Object.fromEntries(finding.causes.map((c) => [c.cause, c.probability])),
  };
}
