import type { Trace, Vehicle } from '../../base';
import { misfitGain } from '../../evidence';
import { VEHICLE_PARAMETER_COUNT } from '../../twin';
import type { HealthyBand } from '../fits/healthyBand';
import type { HypothesisFit, TraceProblem } from '../fits/traceFit';
import type { HypothesisReport } from '../finding';
import type { SignalFindings } from '../raw/detectors';
import { bandFigures } from './bandFigures';
import { courseFigures } from './courseFigures';
import { driveGrid } from './driveGrid';
import type { Figures } from './figure';
import { fitFigures, type FitSummary } from './fitFigures';
import { otherSensorFigures } from './otherSensorFigures';
import { rawFigures } from './rawFigures';
import { responseFigures } from './responseFigures';

/** A judged drive as far as its figures are taken from it. */
export interface JudgedDrive {
  readonly trace: Trace;
  /** The trace without bad samples. */
  readonly masked: Trace;
  readonly vehicle: Vehicle;
  readonly findings: SignalFindings;
  readonly problem: TraceProblem;
  readonly fits: readonly HypothesisFit[];
  /** One report per fit. */
  readonly hypotheses: readonly HypothesisReport[];
  readonly band: HealthyBand;
}

/** Log evidence of a fit with the size of its misfit integrated out. */
export const supportOf = (h: HypothesisReport, problem: TraceProblem): number =>
  h.logEvidence + misfitGain(h.misfit, problem.present);

const summary = (fit: HypothesisFit, report: HypothesisReport, problem: TraceProblem): FitSummary => ({
  cause: report.cause,
  variant: report.variant,
  support: supportOf(report, problem),
  misfit: report.misfit,
  effect_k: report.effect_k,
  severity: fit.hypothesis.severities.length > 0 ? fit.fit.z[VEHICLE_PARAMETER_COUNT + problem.prior.knotCount]! : NaN,
  vehicle: fit.fit.z.subarray(0, VEHICLE_PARAMETER_COUNT),
});

/** Every figure of a judged drive: signal, course, answers, other sensors, place in the band, fits. */
export function driveFigures(drive: JudgedDrive): Figures {
  const { trace, masked, vehicle, findings, problem, fits, hypotheses, band } = drive;
  const grid = driveGrid(masked, vehicle, problem.inputs);
  return {
    ...rawFigures(trace, vehicle, findings),
    ...courseFigures(grid),
    ...responseFigures(grid),
    ...otherSensorFigures(grid),
    ...bandFigures(grid, band, problem.bin_s),
    ...fitFigures(fits.map((fit, i) => summary(fit, hypotheses[i]!, problem))),
  };
}
