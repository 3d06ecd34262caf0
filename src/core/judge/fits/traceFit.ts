import { countPresent, type Trace } from '../../base';
import { makeWhitener, type MapFit, type NoiseModel, type Whitener } from '../../fit';
import { binMeans } from '../../signal';
import {
  parameterIndex,
  simulateTwin,
  STEPS_PER_BIN,
  twinPrior,
  twinWorkspace,
  VEHICLE_PARAMETER_COUNT,
  type TwinInputs,
  type TwinPrior,
  type TwinTruth,
  type TwinWorkspace,
  type VehicleMemory,
} from '../../twin';
import type { Hypothesis } from './hypotheses';
import { boilsFromBin } from './nearBoiling';

/** A trace made ready for fitting: what was measured per bin, the filter for residuals, buffers. */
export interface TraceProblem {
  readonly inputs: TwinInputs;
  readonly prior: TwinPrior;
  readonly bin_s: number;
  /** Mean reading per bin, °C; NaN where nothing was measured or everything was masked. Near boiling it does not count. */
  readonly measured_c: Float64Array;
  /** From here on the drive ends near boiling, s; null where it does not. */
  readonly boilsFrom_s: number | null;
  /** Radiator outlet per bin, where it was logged. */
  readonly outlet: { readonly measured_c: Float64Array; readonly whitener: Whitener } | null;
  /** Measurements that a fit is held against: bins with a reading, and with a radiator outlet. */
  readonly present: number;
  readonly whitener: Whitener;
  readonly workspace: TwinWorkspace;
}

/** A fitted hypothesis. */
export interface HypothesisFit {
  readonly hypothesis: Hypothesis;
  readonly fit: MapFit;
  /** Log evidence with the residuals' normalisation, comparable over hypotheses of one trace. */
  readonly logEvidence: number;
  /** Values of the severities at the best fit. */
  readonly severity: readonly number[];
}

/**
 * Discrepancy between the reduced model and a real car: wanders by about 2 K over a minute or two. Set by the exam on
 * simulated vehicles (docs/accuracy.md), within the range that notes on reduced models give (1.5-3 K, 60-120 s).
 */
export const NOISE: NoiseModel = { discrepancySd_k: 1, correlation_s: 100, startSd_k: 0.6, whiteSd_k: 0.4 };

/**
 * The same for the radiator outlet. Two stirred cells follow a front of hot coolant that creeps down a real radiator
 * only roughly, so the allowance is wide: it tells a warm outlet from a cold one, not two warm ones apart.
 */
export const OUTLET_NOISE: NoiseModel = { discrepancySd_k: 6, correlation_s: 200, startSd_k: 3, whiteSd_k: 1.5 };

/** Prepares a trace whose bad samples have been masked (set to NaN). */
export function prepareProblem(
  inputs: TwinInputs,
  masked: Trace,
  memory: VehicleMemory | null,
  noise: NoiseModel = NOISE,
): TraceProblem {
  const bin_s = inputs.step_s * STEPS_PER_BIN;
  const t0 = masked.time_s[0]!;
  const time_s = masked.time_s.map((t) => t - t0);
  const binned = (values: Float64Array) => {
    const { mean } = binMeans(time_s, values, bin_s, inputs.bins);
    return { mean, present: Uint8Array.from(mean, (v) => (Number.isFinite(v) ? 1 : 0)) };
  };
  const { mean, present } = binned(masked.channels.ect_c);
  const boilsFrom = boilsFromBin(mean, bin_s, inputs.vehicle);
  present.fill(0, boilsFrom);
  const lower = masked.channels.rad_out_c;
  const logged = lower && countPresent(lower) >= 2 ? binned(lower) : null;
  const outlet = logged && {
    measured_c: logged.mean,
    whitener: makeWhitener(logged.present, bin_s, OUTLET_NOISE),
  };
  return {
    inputs,
    prior: twinPrior(inputs, memory),
    bin_s,
    measured_c: mean,
    boilsFrom_s: boilsFrom < inputs.bins ? boilsFrom * bin_s : null,
    outlet,
    present: present.reduce((a, b) => a + b, 0) + (outlet?.whitener.count ?? 0),
    whitener: makeWhitener(present, bin_s, noise),
    workspace: twinWorkspace(inputs),
  };
}

/** Coordinates of a fit: vehicle parameters, heat knots, severities. */
export function vectorSize(problem: TraceProblem, hypothesis: Hypothesis): number {
  return VEHICLE_PARAMETER_COUNT + problem.prior.knotCount + hypothesis.severities.length;
}

/** Vehicle parameters and heat knots of a fit, without its severities. */
export const vehiclePart = (problem: TraceProblem, fit: HypothesisFit): Float64Array =>
  fit.fit.z.slice(0, VEHICLE_PARAMETER_COUNT + problem.prior.knotCount);

/** Severities of a z vector in physical values. */
export function severitiesOf(problem: TraceProblem, hypothesis: Hypothesis, z: Float64Array): number[] {
  const first = VEHICLE_PARAMETER_COUNT + problem.prior.knotCount;
  return hypothesis.severities.map((s, i) => s.toValue(z[first + i]!));
}

/**
 * Predicted reading per bin, °C, at a point z of a hypothesis. The array is a buffer: copy it to keep it.
 */
export function predictReading(
  problem: TraceProblem,
  hypothesis: Hypothesis,
  z: Float64Array,
  truth: TwinTruth | null = null,
): Float64Array {
  const { prior, inputs, workspace } = problem;
  const parameters = prior.toParameters(z);
  const knots = prior.toKnots(z.subarray(VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETER_COUNT + prior.knotCount));
  const severity = severitiesOf(problem, hypothesis, z);
  const reading = simulateTwin(inputs, prior, parameters, knots, hypothesis.toFault(severity), workspace, truth);
  hypothesis.observe?.(reading, severity);
  if (parameters.senderOffset !== 0) for (let k = 0; k < reading.length; k++) reading[k]! += parameters.senderOffset;
  return reading;
}

const AMBIENT = parameterIndex('ambient');
const START_EXCESS = parameterIndex('startExcess');

/** First guess: prior medians, with start and outside temperature set so that the curve begins at the reading. */
export function firstGuess(problem: TraceProblem, hypothesis: Hypothesis, severityZ: readonly number[]): Float64Array {
  const z = new Float64Array(vectorSize(problem, hypothesis));
  severityZ.forEach((value, i) => {
    z[VEHICLE_PARAMETER_COUNT + problem.prior.knotCount + i] = value;
  });
  const { inputs } = problem;
  const offset = predictStartOffset(hypothesis, severitiesOf(problem, hypothesis, z), inputs.start_c);
  const excess = inputs.start_c - offset - inputs.ambientGuess_c;
  if (inputs.ambientSd_k > 5) z[AMBIENT] = Math.max(-3, Math.min(2.5, excess / inputs.ambientSd_k));
  else if (excess > 2) z[START_EXCESS] = Math.min(3, 0.6 + Math.sqrt((excess - 0.6) / 11));
  return z;
}

function predictStartOffset(hypothesis: Hypothesis, severity: readonly number[], start_c: number): number {
  if (!hypothesis.observe) return 0;
  const probe = Float64Array.of(start_c);
  hypothesis.observe(probe, severity);
  return probe[0]! - start_c;
}
