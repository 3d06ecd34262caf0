import {
  CAUSES,
  channelSet,
  countPresent,
  logPrint,
  SIGNAL_CAUSES,
  type Cause,
  type PerCause,
  type Trace,
  type Vehicle,
} from '../base';
import {
  addLogs,
  CALIBRATION,
  COURSE_LINE,
  flatLogs,
  gradeOf,
  logPriors,
  toProbabilities,
  type CauseLogs,
  type EvidenceLine,
} from '../evidence';
import { MONITOR_DEFAULTS, type MonitorSettings } from '../monitor';
import { logSumExp } from '../signal';
import { twinTruth, type TwinInputs, type VehicleMemory } from '../twin';
import { fitCauses } from './fits/fitCauses';
import { predictBand } from './fits/healthyBand';
import { innerDrive, openingOf } from './fits/inner';
import { SOUND } from './fits/hypotheses';
import { senderShifts } from './fits/senderShift';
import { predictReading, prepareProblem, type HypothesisFit, type TraceProblem } from './fits/traceFit';
import type { Way } from './fits/visibility';
import { driveFigures, supportOf } from './experience/driveFigures';
import { EXPERIENCE } from './experience/experience';
import { experienceLine } from './experience/experienceLine';
import type { Figures } from './experience/figure';
import type { Finding, HypothesisReport, MemoryReport, Quality } from './finding';
import type { JudgeProgress } from './judgeProgress';
import { leansOn } from './leansOn';
import { bandWidth_k } from './memory';
import { codesOf } from './monitorCodes';
import { nextForTrace } from './nextForTrace';
import { prepareDrive } from './prepareDrive';
import { assessQuality } from './quality';
import { signalLines, visibilityLine } from './raw/traceLines';
import { faultFigures, reportHypotheses, reportParameters, toOdds } from './reports';
import { driveWays } from './ways';
import { remarksOf } from './words/remarks';

/** Options of a judgement. */
export interface JudgeOptions {
  /** Narrowed priors from this vehicle's known-good traces. */
  readonly memory?: VehicleMemory | null;
  /** Outside temperature that a person gave, °C; used where the log has none of its own. */
  readonly outside_c?: number | null;
  /** The shop's own base rates and monitor limits. */
  readonly baseRates?: PerCause<number>;
  readonly monitors?: MonitorSettings;
}

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
const weightOf = (h: HypothesisReport, problem: TraceProblem): number =>
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

/** What the same trace says without the vehicle's memory: how much the memory sharpened it. */
function* withoutMemory(
  inputs: TwinInputs,
  masked: Trace,
  vehicle: Vehicle,
  remembered: TraceProblem,
): Generator<JudgeProgress, MemoryReport, undefined> {
  const plain = prepareProblem(inputs, masked, null);
  const fits = yield* fitCauses(plain, vehicle);
  const hypotheses = reportHypotheses(plain, fits);
  const logs = addLogs(
    logPriors(),
    traceEvidence(fits, hypotheses, plain),
    visibilityLine(waysOf(hypotheses, plain)).logLikelihood,
  );
  const leader = toOdds(toProbabilities(logs), fits)[0]!;
  return {
    without: { cause: leader.cause, probability: leader.probability },
    band_k: bandWidth_k(remembered),
    bandWithout_k: bandWidth_k(plain),
  };
}

/**
 * Judges one trace against every cause. A generator: it yields after each fit, so that a caller can show progress and
 * stop it; its return value is the finding.
 *
 * @param trace at least two rows, see `formats`
 */
export function* judgeTrace(
  trace: Trace,
  vehicle: Vehicle,
  options: JudgeOptions = {},
): Generator<JudgeProgress, Finding, undefined> {
  const { finding } = yield* judgeWithFigures(trace, vehicle, options);
  return finding;
}

/** A finding with the figures that experience weighed, by name. */
export interface JudgedWithFigures {
  readonly finding: Finding;
  readonly figures: Figures;
}

/** As {@link judgeTrace}, with the figures beside the finding: what the learned layer is trained on. */
export function* judgeWithFigures(
  trace: Trace,
  vehicle: Vehicle,
  options: JudgeOptions = {},
): Generator<JudgeProgress, JudgedWithFigures, undefined> {
  const { findings, masked, inputs, problem } = prepareDrive(trace, vehicle, options);
  const fits = yield* fitCauses(problem, vehicle);
  const hypotheses = reportHypotheses(problem, fits);
  const supportOfFit = (fit: HypothesisFit) => weightOf(hypotheses[fits.indexOf(fit)]!, problem);
  const band = predictBand(problem, SOUND);
  const course = traceEvidence(fits, hypotheses, problem);
  const shown: EvidenceLine[] = [
    {
      id: COURSE_LINE,
      kind: 'course',
      seen: 'Shape of the warm-up against the model of each cause',
      reason: 'Each cause is fitted to the drive; the closer it comes without bending the vehicle, the likelier it is.',
      logLikelihood: course,
      source: 'trace',
    },
    visibilityLine(waysOf(hypotheses, problem)),
    ...signalLines(findings, trace, vehicle, senderShifts(problem, fits)),
  ];
  const figures = driveFigures({ trace, masked, vehicle, findings, problem, fits, hypotheses, band });
  const learned = experienceLine(EXPERIENCE, figures, shown);
  const lines = [...shown, learned.line];
  const logOdds = addLogs(logPriors(options.baseRates), ...lines.map((l) => l.logLikelihood));
  const causes = toOdds(toProbabilities(logOdds), fits);
  const memory = options.memory ? yield* withoutMemory(inputs, masked, vehicle, problem) : null;
  const leader = causes[0]!;
  const quality = knownTo(assessQuality(trace, findings, vehicle), figures, leader.cause);
  const grade = quality.usable ? gradeOf(causes) : 'inconclusive';
  const healthyFit = fits[0]!;
  const bestFit = bestFitOf(fits, leader.cause) ?? healthyFit;
  const readingOf = ({ hypothesis, fit }: HypothesisFit) =>
    Float64Array.from(predictReading(problem, hypothesis, fit.z));
  const curves = {
    time_s: Float64Array.from({ length: inputs.bins }, (_, k) => (k + 0.5) * problem.bin_s),
    measured_c: problem.measured_c,
    healthyLow_c: band.low_c,
    healthyMid_c: band.mid_c,
    healthyHigh_c: band.high_c,
    best_c: readingOf(bestFit),
    healthyFit_c: readingOf(healthyFit),
    byCause: Object.fromEntries(
      CAUSES.flatMap((cause) => {
        const best = bestFitOf(fits, cause);
        return best ? [[cause, readingOf(best)]] : [];
      }),
    ),
  };
  const rivalFit = bestFitOf(fits, causes[1]!.cause);
  const rival = rivalFit && { fit: rivalFit, reading_c: readingOf(rivalFit) };
  const seen = { trace, vehicle, findings, inputs, problem };
  const judged = { causes, grade, quality, bestFit, healthyFit, rival, curves };
  const finding: Finding = {
    verdict: { cause: leader.cause, probability: leader.probability, grade },
    causes,
    also: besides(learned.present, leader.cause),
    leansOn: leansOn(problem, bestFit, rivalFit),
    why: remarksOf({ ...seen, ...judged }),
    codes: codesOf({ trace, findings, problem, expected_c: band.low_c }, options.monitors ?? MONITOR_DEFAULTS),
    quality,
    next: nextForTrace({ causes, vehicle, quality }),
    evidence: lines,
    ways: driveWays(problem, fits, supportOfFit),
    log: logPrint(trace),
    basis: basisOf(options.memory ?? null),
    faultFigures: faultFigures(bestFit),
    parameters: reportParameters(problem.prior, bestFit.fit.z),
    hypotheses,
    memory,
    curves,
    inner: innerDrive(problem, bestFit),
    opening: openingOf(
      problem,
      fits,
      (fit) => supportOfFit(fit) + logOdds[fit.hypothesis.cause] - course[fit.hypothesis.cause],
    ),
    channelSet: channelSet(trace),
    outsideGiven_c: countPresent(trace.channels.ambient_c) >= 2 ? null : (options.outside_c ?? null),
  };
  return { finding, figures };
}

/** Probability from which a second fault is named beside the leader. */
const BESIDE_FROM = 0.5;

/** Faults that are likelier than not to be there beside the leading one; none beside a sound vehicle. */
function besides(present: PerCause<number>, leader: Cause): Cause[] {
  const isFault = (cause: Cause) => cause !== 'healthy' && cause !== 'insufficient-heat';
  if (!isFault(leader)) return [];
  return CAUSES.filter((cause) => cause !== leader && isFault(cause) && present[cause] > BESIDE_FROM);
}

/**
 * From where a car is strange: squared misfit per bin of the best fit, and how far that bends its vehicle, in squared
 * standard deviations together. Of 930 drives in 60 worlds and the field set, faults included, none without a sign of its
 * own in the signal came over 5.4, and none over 44.
 */
const STRANGE = { misfit: 5.5, bent: 60 } as const;

/** Where no fit comes near the trace without bending, and no sign of its own speaks for the leader, nothing is named. */
function knownTo(quality: Quality, figures: Figures, leader: Cause): Quality {
  const misfit = Math.exp(figures['misfit best'] ?? -Infinity);
  const bent = Math.expm1(figures['bent best'] ?? 0);
  const known = misfit < STRANGE.misfit && bent < STRANGE.bent;
  if (known || SHOWN_BY_SIGNAL.includes(leader)) return quality;
  const strange =
    'This car does not behave like any that the model knows: no cause follows its reading. Check the vehicle’s figures and the log, then log another drive.';
  return { usable: false, problems: [...quality.problems, strange] };
}

/** Causes with a sign of their own in the signal, which no smooth fit need follow. */
const SHOWN_BY_SIGNAL: readonly Cause[] = [...SIGNAL_CAUSES, 'low-coolant-or-air'];

/** What the vehicle's coordinates are counted from: the general prior, or this very memory. */
const basisOf = (memory: VehicleMemory | null): string =>
  memory ? `memory ${memory.mean.map((m, i) => `${m.toFixed(2)}/${memory.sd[i]!.toFixed(2)}`).join(' ')}` : 'general';

/** The fit of a cause with the most evidence; null for causes that only the raw signal shows. */
function bestFitOf(fits: readonly HypothesisFit[], cause: Cause): HypothesisFit | null {
  const own = fits.filter((f) => f.hypothesis.cause === cause);
  return own.length === 0 ? null : own.reduce((a, b) => (b.logEvidence > a.logEvidence ? b : a));
}

/** Runs a judgement to its end. */
function toEnd<T>(steps: Generator<JudgeProgress, T, undefined>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Runs {@link judgeTrace} to its end. */
export const judgeNow = (trace: Trace, vehicle: Vehicle, options: JudgeOptions = {}): Finding =>
  toEnd(judgeTrace(trace, vehicle, options));

/** Runs {@link judgeWithFigures} to its end. */
export const judgeFiguresNow = (trace: Trace, vehicle: Vehicle): JudgedWithFigures =>
  toEnd(judgeWithFigures(trace, vehicle));
