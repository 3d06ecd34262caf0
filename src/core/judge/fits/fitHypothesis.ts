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
import { twinKernel } from '../../twin';
import { readingTangents } from './readingTangents';
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
  const kernel = twinKernel();
  // A residual falls as the prediction rises; the filter that whitens both is linear.
  const fall = (along: Float64Array, i: number, by: Whitener, out: Float64Array): void => {
    for (let k = 0; k < bins; k++) residual[k] = -along[i * bins + k]!;
    by.apply(residual, out);
  };
  return {
    size: vectorSize(problem, hypothesis),
    residualCount: outlet ? 2 * bins : bins,
    ...(kernel && {
      derivatives: (z, along, columns) => {
        const tangents = readingTangents(kernel, problem, hypothesis, z, along);
        columns.forEach((column, i) => {
          fall(tangents.reading, i, whitener, column.subarray(0, bins));
          if (outlet) fall(tangents.outlet!, i, outlet.whitener, column.subarray(bins));
        });
      },
    }),
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
