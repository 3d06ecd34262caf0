import type { Cause, Trace, Vehicle } from '../base';
import type { TwinInputs } from '../twin';
import type { SignalFindings } from './raw/detectors';
import type { CauseShare, FindingCurves, Quality } from './finding';
import type { Grade } from '../evidence';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';

/** The likeliest cause instead of the leading one; a cause that may be there beside it is none. */
export interface Rival {
  readonly cause: Cause;
  readonly probability: number;
  /** How many times less likely it is than the leader. */
  readonly times: number;
  /** Its best fit with its reading per bin; null when it has no fit of its own. */
  readonly course: { readonly fit: HypothesisFit; readonly reading_c: Float64Array } | null;
}

/** Everything a judgement knows when it comes to words. */
export interface JudgeContext {
  readonly trace: Trace;
  readonly vehicle: Vehicle;
  readonly findings: SignalFindings;
  readonly inputs: TwinInputs;
  readonly problem: TraceProblem;
  readonly curves: FindingCurves;
  readonly causes: readonly CauseShare[];
  readonly grade: Grade;
  readonly quality: Quality;
  readonly bestFit: HypothesisFit;
  readonly healthyFit: HypothesisFit;
  readonly rival: Rival;
}
