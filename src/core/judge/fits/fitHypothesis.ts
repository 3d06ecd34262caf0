import {
  MAP_DEFAULTS,
  mapFit,
  SAMPLING_DEFAULTS,
  sampledEvidence,
  TOGETHER,
  type MapOptions,
  type MapProblem,
  type Whitener,
} from '../../fit';
import type { Hypothesis } from './hypotheses';
import { twinKernel } from '../../twin';
import { predictTogether, type Prediction } from './predictTogether';
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
  const compare = ({ reading_c, outlet_c }: Prediction, out: Float64Array): void => {
    against(measured_c, reading_c, whitener, out.subarray(0, bins));
    if (outlet) against(outlet.measured_c, outlet_c, outlet.whitener, out.subarray(bins));
  };
  const four: readonly Prediction[] = Array.from({ length: TOGETHER }, () => ({
    reading_c: new Float64Array(bins),
    outlet_c: new Float64Array(bins),
  }));
  const kernel = twinKernel();
  /** A residual falls as the prediction rises; the filter that whitens both is linear. */
  const fall = (along: Float64Array, by: Whitener, columns: readonly Float64Array[]): void => {
    for (let k = 0; k < along.length; k++) along[k] = -along[k]!;
    by.applyToColumns(along, columns);
  };
  return {
    size: vectorSize(problem, hypothesis),
    residualCount: outlet ? 2 * bins : bins,
    ...(kernel && {
      derivatives: (z, along, columns) => {
        const tangents = readingTangents(kernel, problem, hypothesis, z, along);
        fall(tangents.reading, whitener, columns);
        const below = outlet && columns.map((column) => column.subarray(bins));
        if (below) fall(tangents.outlet!, outlet.whitener, below);
      },
    }),
    residuals: (z, out) => {
      const reading_c = predictReading(problem, hypothesis, z);
      compare({ reading_c, outlet_c: workspace.outlet_c }, out);
    },
    ...(kernel && {
      residualsTogether: (zs, outs) => {
        predictTogether(kernel, problem, hypothesis, zs, four);
        zs.forEach((_, i) => compare(four[i]!, outs[i]!));
      },
    }),
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
