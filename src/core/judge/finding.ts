import type { Cause, ChannelSet, PerCause } from '../base';
import type { DriveEvidence, Grade, NextTest, Odds } from '../evidence';
import type { CodeResult } from '../monitor';
import type { InnerDrive, Opening } from './fits/inner';
import type { Remark } from './words/remark';

/** One cause with its share of the odds and the severities at its best fit. */
export interface CauseShare extends Odds {
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
  /** Best fit of every cause that has one of its own. */
  readonly byCause: Readonly<Partial<PerCause<Float64Array>>>;
}

/** How severe the leading cause is, by its best fit. */
export interface FaultFigure {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
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

/** Whether a trace can carry a verdict at all. */
export interface Quality {
  readonly usable: boolean;
  readonly problems: readonly string[];
}

/** The judgement of one trace. */
export interface Finding extends DriveEvidence {
  readonly verdict: {
    readonly cause: Cause;
    readonly probability: number;
    readonly grade: Grade;
  };
  readonly causes: readonly CauseShare[];
  /** Faults likelier than not to be there beside the leading one; absent in findings kept before they were looked for. */
  readonly also?: readonly Cause[];
  /** The assumption about vehicle and drive that the verdict leans on most, in words; null where none stands out. */
  readonly leansOn?: string | null;
  /** What speaks for it: against a sound vehicle, for the leading cause, and what else it could be. */
  readonly why: readonly (readonly Remark[])[];
  readonly codes: readonly CodeResult[];
  readonly quality: Quality;
  readonly next: readonly NextTest[];
  /** The leading cause's own figures at its best fit: how severe it is. */
  readonly faultFigures: readonly FaultFigure[];
  readonly parameters: readonly ParameterReport[];
  readonly hypotheses: readonly HypothesisReport[];
  /** Null when the vehicle has no known-good trace. */
  readonly memory: MemoryReport | null;
  readonly curves: FindingCurves;
  /** What the best fit says of the inside of the drive. */
  readonly inner: InnerDrive;
  readonly opening: Opening;
  readonly channelSet: ChannelSet;
  /** Outside temperature that a person gave and the judge used, °C; null where the log had its own or none was given. */
  readonly outsideGiven_c: number | null;
}
