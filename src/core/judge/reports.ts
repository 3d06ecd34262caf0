import { CAUSES, type Cause } from '../base';
import { VEHICLE_PARAMETERS } from '../twin';
import type { CauseShare, FaultFigure, HypothesisReport, ParameterReport } from './finding';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';
import { effect_k } from './fits/visibility';

/** Distance from its prior beyond which a parameter is called one that no such vehicle has, standard deviations. */
const FLAGGED_FROM = 2.5;

/**
 * Fitted vehicle parameters beside their priors. What belongs to the day and not to the vehicle is never flagged.
 *
 * @param fitted where the fit came to rest, in standard deviations of the prior
 */
export function reportParameters(
  { toParameters }: Pick<TraceProblem['prior'], 'toParameters'>,
  fitted: Float64Array,
): ParameterReport[] {
  const at = toParameters(fitted);
  const prior = toParameters(new Float64Array(fitted.length));
  return VEHICLE_PARAMETERS.map((p, i) => ({
    name: p.name,
    label: p.label,
    unit: p.unit,
    value: at[p.name],
    prior: prior[p.name],
    z: fitted[i]!,
    flagged: p.name !== 'startExcess' && p.name !== 'ambient' && Math.abs(fitted[i]!) > FLAGGED_FROM,
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
