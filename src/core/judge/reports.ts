import { CAUSES, type Cause } from '../base';
import { VEHICLE_PARAMETERS } from '../twin';
import type { CauseShare, FaultFigure, HypothesisReport, ParameterReport } from './finding';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';
import { effect_k } from './fits/visibility';

/** Fitted vehicle parameters beside their priors. */
export function reportParameters(problem: TraceProblem, best: HypothesisFit): ParameterReport[] {
  const at = problem.prior.toParameters(best.fit.z);
  const prior = problem.prior.toParameters(new Float64Array(best.fit.z.length));
  return VEHICLE_PARAMETERS.map((p, i) => ({
    name: p.name,
    label: p.label,
    unit: p.unit,
    value: at[p.name],
    prior: prior[p.name],
    z: best.fit.z[i]!,
    flagged: p.name !== 'startExcess' && p.name !== 'ambient' && Math.abs(best.fit.z[i]!) > 2.5,
  }));
}

/** The severities of a fit, in the order of its hypothesis. */
export const faultFigures = ({ hypothesis, severity }: HypothesisFit): FaultFigure[] =>
  hypothesis.severities.map(({ label, unit }, i) => ({ label, unit, value: severity[i]! }));

/** Causes with their odds and the severities of their best fit, most probable first. */
export function toOdds(probabilities: Readonly<Record<Cause, number>>, fits: readonly HypothesisFit[]): CauseShare[] {
  return CAUSES.map((cause) => {
    const own = fits.filter((f) => f.hypothesis.cause === cause);
    const best = own.reduce<HypothesisFit | null>((a, b) => (a && a.logEvidence >= b.logEvidence ? a : b), null);
    const parameters: Record<string, number> = {};
    best?.hypothesis.severities.forEach((s, i) => {
      parameters[s.name] = Math.round(best.severity[i]! * 1000) / 1000;
    });
    return { cause, probability: probabilities[cause], parameters };
  }).sort((a, b) => b.probability - a.probability);
}

/** Each hypothesis with its fit and its effect on this drive. */
export function reportHypotheses(problem: TraceProblem, fits: readonly HypothesisFit[]): HypothesisReport[] {
  return fits.map((fit) => ({
    cause: fit.hypothesis.cause,
    variant: fit.hypothesis.variant,
    share: fit.hypothesis.share,
    logEvidence: fit.logEvidence,
    misfit: fit.fit.loss / Math.max(1, problem.present),
    effect_k: effect_k(problem, fit),
  }));
}
