import { neighboursOf } from './neighbours';
import type { Cause, ChannelSet } from '../base';
import type { CodeResult } from '../monitor';

/** How far a verdict may be trusted. `inconclusive` is a full answer. */
export type Grade = 'confirmed' | 'likely' | 'suspect' | 'inconclusive';

/** One cause with its share of the odds and the severities at its best fit. */
export interface CauseOdds {
  readonly cause: Cause;
  readonly probability: number;
  readonly parameters: Readonly<Record<string, number>>;
}

/** Curves for the picture: one entry per bin. Temperatures °C. */
export interface FindingCurves {
  readonly time_s: Float64Array;
  readonly measured_c: Float64Array;
  /** What a sound vehicle would have shown on this drive: 10th, 50th, 90th percentile, before seeing the trace. */
  readonly healthyLow_c: Float64Array;
  readonly healthyMid_c: Float64Array;
  readonly healthyHigh_c: Float64Array;
  /** Best fit of the leading cause and of the sound vehicle. */
  readonly best_c: Float64Array;
  readonly healthyFit_c: Float64Array;
}

/** One piece of evidence: what was seen and how many times more likely it makes which cause. */
export interface EvidenceLine {
  readonly id: string;
  readonly seen: string;
  /** Log likelihood per cause, up to a constant. */
  readonly logLikelihood: Readonly<Record<Cause, number>>;
  readonly source: string;
}

/** A fitted parameter beside its prior. */
export interface ParameterReport {
  readonly name: string;
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly prior: number;
  /** Distance from the prior in prior standard deviations. */
  readonly z: number;
  /** True beyond 2.5 standard deviations: the fit bends this vehicle further than vehicles go. */
  readonly flagged: boolean;
}

/** One way a cause was tried, with how well it fits and how far it moves the reading on this drive. */
export interface HypothesisReport {
  readonly cause: Cause;
  readonly variant: string;
  readonly share: number;
  /** Log evidence, comparable within one trace. */
  readonly logEvidence: number;
  /** Misfit per sample bin: about 1 where the model misses by as much as it is expected to. */
  readonly misfit: number;
  /** Reading with the fault against the same vehicle without it, K RMS; 0 for the sound vehicle. */
  readonly effect_k: number;
}

/** How much this vehicle's known-good traces sharpened the judgement. */
export interface MemoryReport {
  /** Leading cause of the same trace without the memory. */
  readonly without: { readonly cause: Cause; readonly probability: number };
  /** Mean width of the sound vehicle's band with and without the memory, K. */
  readonly band_k: number;
  readonly bandWithout_k: number;
}

/** What to do next and why. */
export interface NextTest {
  readonly test: string;
  readonly why: string;
}

/** Whether a trace can carry a verdict at all. */
export interface Quality {
  readonly usable: boolean;
  readonly problems: readonly string[];
}

/** The judgement of one trace. */
export interface Finding {
  readonly verdict: {
    readonly cause: Cause;
    readonly probability: number;
    readonly grade: Grade;
    readonly reason: string;
  };
  readonly causes: readonly CauseOdds[];
  readonly why: readonly string[];
  readonly codes: readonly CodeResult[];
  readonly quality: Quality;
  readonly next: readonly NextTest[];
  readonly evidence: readonly EvidenceLine[];
  readonly parameters: readonly ParameterReport[];
  readonly hypotheses: readonly HypothesisReport[];
  /** Null when the vehicle has no known-good trace. */
  readonly memory: MemoryReport | null;
  readonly curves: FindingCurves;
  readonly channelSet: ChannelSet;
}

/** Thresholds of the grades. */
export const GRADE_FROM = { confirmed: 0.95, likely: 0.8, suspect: 0.5 } as const;

/** Share from which the causes across the divide leave the verdict open; weighed in decision 7. */
const DIVIDED_FROM = 0.3;

type Odds = Pick<CauseOdds, 'cause' | 'probability'>;

function sideOf(cause: Cause): 'sender' | 'thermostat' | null {
  if (cause.startsWith('sender-')) return 'sender';
  return cause.startsWith('thermostat-') ? 'thermostat' : null;
}

/**
 * The strongest cause on the other side where the odds are divided between sender and thermostat: a sender that reads
 * low and a thermostat that opens early draw one curve, and to replace the one for the other is the error that a
 * customer pays for (decision 7). Null where the verdict leans clearly to one side or concerns neither.
 *
 * @param causes most probable first
 */
export function acrossDivide(causes: readonly Odds[]): Odds | null {
  const side = sideOf(causes[0]!.cause);
  if (side === null) return null;
  const others = causes.filter((c) => sideOf(c.cause) === (side === 'sender' ? 'thermostat' : 'sender'));
  const together = others.reduce((sum, c) => sum + c.probability, 0);
  return together >= DIVIDED_FROM ? others[0]! : null;
}

/**
 * Grade of the leading cause. Odds split between neighbours that no trace can part still name the leader as suspect
 * where together they hold as much as one suspect must; odds divided between sender and thermostat name neither
 * (decision 7).
 *
 * @param causes most probable first
 */
export function gradeOf(causes: readonly Odds[]): Grade {
  const leader = causes[0]!;
  if (leader.probability >= GRADE_FROM.confirmed) return 'confirmed';
  if (leader.probability >= GRADE_FROM.likely) return 'likely';
  if (acrossDivide(causes)) return 'inconclusive';
  if (leader.probability >= GRADE_FROM.suspect) return 'suspect';
  const family = neighboursOf(leader.cause);
  const together = causes.reduce((sum, c) => sum + (family.includes(c.cause) ? c.probability : 0), 0);
  return family.length > 1 && together >= GRADE_FROM.suspect ? 'suspect' : 'inconclusive';
}
