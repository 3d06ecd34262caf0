import type { Trace, Vehicle } from '../base';
import type { TwinInputs } from '../twin';
import type { SignalFindings } from './raw/detectors';
import type { CauseShare, FindingCurves, Quality } from './finding';
import type { Grade } from '../evidence';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';

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
  /** Best fit of the second cause with its reading per bin; null when it has no fit of its own. */
  readonly rival: { readonly fit: HypothesisFit; readonly reading_c: Float64Array } | null;
}
