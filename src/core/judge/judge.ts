import {
  CAUSES,
  channelSet,
  countPresent,
  logPrint,
  perCause,
  type Cause,
  type PerCause,
  type Trace,
  type Vehicle,
} from '../base';
import { addLogs, gradeOf, logPriors, toProbabilities, type CauseLogs, type EvidenceLine } from '../evidence';
import { MONITOR_DEFAULTS, type MonitorSettings } from '../monitor';
import type { VehicleMemory } from '../twin';
import type { Figures } from './experience/figure';
import type { Finding, MemoryReport } from './finding';
import { fitCauses } from './fits/fitCauses';
import { innerDrive, openingOf } from './fits/inner';
import { predictReading, prepareProblem, type HypothesisFit, type TraceProblem } from './fits/traceFit';
import type { JudgeProgress } from './judgeProgress';
import { besides, knownTo } from './known';
import { leansOn } from './leansOn';
import { bandWidth_k } from './memory';
import { codesOf } from './monitorCodes';
import { nextForTrace } from './nextForTrace';
import { prepareDrive } from './prepareDrive';
import { assessQuality } from './quality';
import { faultFigures, reportParameters, toOdds } from './reports';
import { weighDrive, weightOf, type LoggedDrive } from './weighing';
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

/** What the same trace says without the vehicle's memory: how much the memory sharpened it. */
function* withoutMemory(
  drive: LoggedDrive,
  remembered: TraceProblem,
  baseRates: JudgeOptions['baseRates'],
): Generator<JudgeProgress, MemoryReport, undefined> {
  const plain = prepareProblem(remembered.inputs, drive.masked, null);
  const fits = yield* fitCauses(plain, drive.vehicle);
  const { lines } = weighDrive(drive, plain, fits);
  const leader = toOdds(toProbabilities(oddsOf(lines, baseRates)), fits)[0]!;
  return {
    without: { cause: leader.cause, probability: leader.probability },
    band_k: bandWidth_k(remembered),
    bandWithout_k: bandWidth_k(plain),
  };
}

/** Log odds by base rates and lines of evidence. */
const oddsOf = (lines: readonly EvidenceLine[], baseRates: JudgeOptions['baseRates']): CauseLogs =>
  addLogs(logPriors(baseRates), ...lines.map((l) => l.logLikelihood));

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
  const drive = { trace, masked, vehicle, findings };
  const fits = yield* fitCauses(problem, vehicle);
  const { hypotheses, band, course, lines, figures, present, beside } = weighDrive(drive, problem, fits);
  const supportOfFit = (fit: HypothesisFit) => weightOf(hypotheses[fits.indexOf(fit)]!, problem);
  const logOdds = oddsOf(lines, options.baseRates);
  const causes = toOdds(toProbabilities(logOdds), fits);
  const memory = options.memory ? yield* withoutMemory(drive, problem, options.baseRates) : null;
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
  const instead = toProbabilities(perCause((c) => logOdds[c] - beside[c]));
  const rivalCause = causes.slice(1).reduce((a, b) => (instead[b.cause] > instead[a.cause] ? b : a)).cause;
  const rivalFit = bestFitOf(fits, rivalCause);
  const rival = {
    cause: rivalCause,
    probability: instead[rivalCause],
    // As the odds are shown: one figure, whichever screen it stands on.
    times: leader.probability / causes.find((c) => c.cause === rivalCause)!.probability,
    course: rivalFit && { fit: rivalFit, reading_c: readingOf(rivalFit) },
  };
  const seen = { trace, vehicle, findings, inputs, problem };
  const judged = { causes, grade, quality, bestFit, healthyFit, rival, curves };
  const finding: Finding = {
    verdict: { cause: leader.cause, probability: leader.probability, grade },
    causes,
    also: grade === 'inconclusive' ? [] : besides(present, leader.cause),
    leansOn: leansOn(problem, bestFit, rivalFit),
    why: remarksOf({ ...seen, ...judged }),
    codes: codesOf({ trace, findings, problem, expected_c: band.low_c }, options.monitors ?? MONITOR_DEFAULTS),
    quality,
    next: nextForTrace({ causes, vehicle, quality }),
    evidence: lines,
    log: logPrint(trace),
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
