import { CAUSES, SIGNAL_CAUSES, type Trace, type Vehicle } from '../base';
import { CALIBRATION, COURSE_LINE, flatLogs, type CauseLogs, type EvidenceLine } from '../evidence';
import { logSumExp } from '../signal';
import { twinTruth } from '../twin';
import { driveFigures, supportOf } from './experience/driveFigures';
import { EXPERIENCE } from './experience/experience';
import { experienceLine } from './experience/experienceLine';
import type { Figures } from './experience/figure';
import type { HypothesisReport } from './finding';
import { predictBand, type HealthyBand } from './fits/healthyBand';
import { SOUND } from './fits/hypotheses';
import { senderShifts } from './fits/senderShift';
import { predictReading, type HypothesisFit, type TraceProblem } from './fits/traceFit';
import type { Way } from './fits/visibility';
import type { SignalFindings } from './raw/detectors';
import { signalLines, visibilityLine } from './raw/traceLines';
import { reportHypotheses } from './reports';

/** True when the sound vehicle's fit reached regulation on this drive, as a probability. */
function reachedRegulation(problem: TraceProblem, healthy: HypothesisFit): number {
  const truth = twinTruth(problem.inputs);
  predictReading(problem, healthy.hypothesis, healthy.fit.z, truth);
  const opening = problem.prior.toParameters(healthy.fit.z).opening;
  const lowest = problem.inputs.vehicle.thermostat.heated
    ? Math.min(opening, problem.inputs.vehicle.thermostat.heated_rated_c ?? opening)
    : opening;
  let top = -Infinity;
  for (const t of truth.coolant_c) top = Math.max(top, t);
  return 1 / (1 + Math.exp(-(top - lowest + 2) / 0.5));
}

/** Log evidence of a fit on the scale at which odds are formed. */
export const weightOf = (h: HypothesisReport, problem: TraceProblem): number =>
  supportOf(h, problem) / CALIBRATION.temperature;

/** The faults as ways to be weighed by what they would have moved. */
function waysOf(hypotheses: readonly HypothesisReport[], problem: TraceProblem): Way[] {
  return hypotheses.filter((h) => h.variant !== SOUND.variant).map((h) => ({ ...h, support: weightOf(h, problem) }));
}

function traceEvidence(
  fits: readonly HypothesisFit[],
  hypotheses: readonly HypothesisReport[],
  problem: TraceProblem,
): CauseLogs {
  const logs = flatLogs(-Infinity);
  for (const cause of CAUSES) {
    const own = hypotheses.filter((h) => h.cause === cause);
    if (own.length > 0) {
      logs[cause] = logSumExp(own.map((h) => Math.log(h.share) + weightOf(h, problem)));
    }
  }
  const sound = logs.healthy;
  for (const cause of SIGNAL_CAUSES) logs[cause] = sound;
  const healthy = fits[0]!;
  const reached = reachedRegulation(problem, healthy);
  logs.healthy = sound + Math.log(Math.max(1e-4, reached));
  logs['insufficient-heat'] = sound + Math.log(Math.max(1e-4, 1 - reached));
  return logs;
}

/** A drive as it was logged. */
export interface LoggedDrive {
  readonly trace: Trace;
  /** The trace without bad samples. */
  readonly masked: Trace;
  readonly vehicle: Vehicle;
  readonly findings: SignalFindings;
}

/** A drive with every line of evidence that it brings. */
export interface WeighedDrive {
  /** One report per fit. */
  readonly hypotheses: readonly HypothesisReport[];
  readonly band: HealthyBand;
  /** Log likelihoods by the course alone. */
  readonly course: CauseLogs;
  readonly lines: readonly EvidenceLine[];
  /** What experience weighed, the probability that it gives each cause to be present, and what that lifts each by. */
  readonly figures: Figures;
  readonly present: CauseLogs;
  readonly beside: CauseLogs;
}

/** Where the comparison ends before the drive does. */
const upTo = ({ boilsFrom_s }: TraceProblem): string =>
  boilsFrom_s === null
    ? ''
    : `, up to minute ${(boilsFrom_s / 60).toFixed(1)}: from there it nears boiling, which no model follows`;

/** Weighs the fits of a drive: its course, what it could have shown, its signal, and experience over all of these. */
export function weighDrive(drive: LoggedDrive, problem: TraceProblem, fits: readonly HypothesisFit[]): WeighedDrive {
  const { trace, vehicle, findings } = drive;
  const hypotheses = reportHypotheses(problem, fits);
  const band = predictBand(problem, SOUND);
  const course = traceEvidence(fits, hypotheses, problem);
  const shown: EvidenceLine[] = [
    {
      id: COURSE_LINE,
      kind: 'course',
      seen: `Shape of the warm-up against the model of each cause${upTo(problem)}`,
      reason: 'Each cause is fitted to the drive; the closer it comes without bending the vehicle, the likelier it is.',
      logLikelihood: course,
      source: 'trace',
    },
    visibilityLine(waysOf(hypotheses, problem)),
    ...signalLines(findings, trace, vehicle, senderShifts(problem, fits)),
  ];
  const figures = driveFigures({ ...drive, problem, fits, hypotheses, band });
  const { line, present, beside } = experienceLine(EXPERIENCE, figures, shown);
  return { hypotheses, band, course, lines: [...shown, line], figures, present, beside };
}
