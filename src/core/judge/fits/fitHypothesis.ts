import {
  MAP_DEFAULTS,
  mapFit,
  SAMPLING_DEFAULTS,
  sampledEvidence,
  type MapOptions,
  type MapProblem,
  type Whitener,
} from '../../fit';
import type { Hypothesis } from './hypotheses';
import { predictReading, severitiesOf, vectorSize, type HypothesisFit, type TraceProblem } from './traceFit';

/** What the fit of a hypothesis minimises. */
function mapProblem(problem: TraceProblem, hypothesis: Hypothesis): MapProblem & { readonly logSd: number } {
  const { measured_c, outlet, workspace, whitener } = problem;
  const bins = measured_c.length;
  const residual = new Float64Array(bins);
  const against = (measured: Float64Array, predicted: Float64Array, by: Whitener, out: Float64Array): void => {
    for (let k = 0; k < bins; k++) residual[k] = measured[k]! - predicted[k]!;
    by.apply(residual, out);
  };
  return {
    size: vectorSize(problem, hypothesis),
    residualCount: outlet ? 2 * bins : bins,
    residuals: (z, out) => {
      against(measured_c, predictReading(problem, hypothesis, z), whitener, out.subarray(0, bins));
      if (outlet) against(outlet.measured_c, workspace.outlet_c, outlet.whitener, out.subarray(bins));
    },
    logSd: whitener.logSd,
  };
}

/** Fits one hypothesis from one starting point. */
export function fitHypothesis(
  problem: TraceProblem,
  hypothesis: Hypothesis,
  start: Float64Array,
  options: MapOptions = MAP_DEFAULTS,
): HypothesisFit {
  const { logSd, ...least } = mapProblem(problem, hypothesis);
  const fit = mapFit(least, start, options);
  return {
    hypothesis,
    fit,
    logEvidence: fit.logEvidence - logSd,
    severity: severitiesOf(problem, hypothesis, fit.z),
  };
}

/** The same fit with its evidence sampled, see `sampledEvidence`. @param pairs of opposite samples */
export function withSampledEvidence(problem: TraceProblem, fit: HypothesisFit, pairs: number): HypothesisFit {
  const { logSd, ...least } = mapProblem(problem, fit.hypothesis);
  return { ...fit, logEvidence: sampledEvidence(least, fit.fit.z, { ...SAMPLING_DEFAULTS, pairs }) - logSd };
}
