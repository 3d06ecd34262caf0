import {
  CONSTANT_ORDER,
  runConstants,
  runTangents,
  VEHICLE_PARAMETER_COUNT,
  type Feed,
  type Kernel,
  type TwinFault,
} from '../../twin';
import type { Hypothesis } from './hypotheses';
import { severitiesOf, type TraceProblem } from './traceFit';

/** Step in z over which constants of a run, and severities, are differentiated: they are smooth. */
const STEP_Z = 1e-6;
/** Width over which a sender's curve is differentiated, K. */
const CURVE_STEP_K = 1e-3;

/** Derivatives of reading and radiator outlet along some coordinates of z: bin k along the i-th at `i × bins + k`. */
export interface ReadingTangents {
  readonly reading: Float64Array;
  readonly outlet: Float64Array | null;
}

/** The constants of a run at a point z of a hypothesis, with the parameters behind them. */
function constantsAt({ prior, inputs, workspace }: TraceProblem, fault: TwinFault, z: Float64Array) {
  const parameters = prior.toParameters(z);
  return { parameters, constants: runConstants(inputs, parameters, fault, workspace.engineCapacity) };
}

/** What each coordinate changes: constants of the run, its heat knots, the offset of a sound sender. */
interface Along {
  readonly feeds: readonly Feed[];
  /** Per coordinate, K per unit. */
  readonly offset: Float64Array;
}

function alongEach(problem: TraceProblem, hypothesis: Hypothesis, z: Float64Array, active: readonly number[]): Along {
  const { prior } = problem;
  const first = VEHICLE_PARAMETER_COUNT;
  const last = first + prior.knotCount;
  const coordinates = new Float64Array(prior.knotCount);
  const rest = prior.toKnots(coordinates);
  const offset = new Float64Array(active.length);
  const probe = Float64Array.from(z);
  const feeds: Feed[] = [];
  const feed = (row: number, direction: number, value: number): void => {
    if (value !== 0) feeds.push({ row, direction, value });
  };
  const at = () => constantsAt(problem, hypothesis.toFault(severitiesOf(problem, hypothesis, probe)), probe);
  const here = at();
  active.forEach((i, d) => {
    if (i >= first && i < last) {
      coordinates[i - first] = 1;
      prior.toKnots(coordinates).forEach((v, k) => feed(CONSTANT_ORDER.length + k, d, v - rest[k]!));
      coordinates[i - first] = 0;
      return;
    }
    probe[i] = z[i]! + STEP_Z;
    const there = at();
    probe[i] = z[i]!;
    for (let row = 0; row < CONSTANT_ORDER.length; row++) {
      const name = CONSTANT_ORDER[row]!;
      feed(row, d, (there.constants[name] - here.constants[name]) / STEP_Z);
    }
    offset[d] = (there.parameters.senderOffset - here.parameters.senderOffset) / STEP_Z;
  });
  return { feeds, offset };
}

/**
 * Derivatives of the predicted reading, see `predictReading`, along the coordinates `active` of z.
 * Source: Griewank & Walther, Evaluating Derivatives, ch. 3.
 */
export function readingTangents(
  kernel: Kernel,
  problem: TraceProblem,
  hypothesis: Hypothesis,
  z: Float64Array,
  active: readonly number[],
): ReadingTangents {
  const { prior, inputs, workspace } = problem;
  const fault = hypothesis.toFault(severitiesOf(problem, hypothesis, z));
  const knots = prior.toKnots(z.subarray(VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETER_COUNT + prior.knotCount));
  const { constants } = constantsAt(problem, fault, z);
  const cellCapacity = workspace.radiatorCapacity / 2;
  const { feeds, offset } = alongEach(problem, hypothesis, z, active);
  const run = { inputs, prior, fault, constants, knots, cellCapacity };
  const { element, outlet, element_c } = runTangents(kernel, run, active.length, feeds, problem.outlet !== null);
  if (hypothesis.observe) observed(problem, hypothesis, z, active, element_c, element);
  const { bins } = inputs;
  offset.forEach((slope, d) => {
    if (slope !== 0) for (let k = 0; k < bins; k++) element[d * bins + k]! += slope;
  });
  return { reading: element, outlet };
}

/** Carries the derivatives of the element through what a fault makes of each reading, in place. */
function observed(
  problem: TraceProblem,
  hypothesis: Hypothesis,
  z: Float64Array,
  active: readonly number[],
  element_c: Float64Array,
  along: Float64Array,
): void {
  const bins = element_c.length;
  const severity = severitiesOf(problem, hypothesis, z);
  const seen = (shift_k: number, values: readonly number[]): Float64Array => {
    const reading = element_c.map((v) => v + shift_k);
    hypothesis.observe!(reading, values);
    return reading;
  };
  const base = seen(0, severity);
  const slope = seen(CURVE_STEP_K, severity).map((v, k) => (v - base[k]!) / CURVE_STEP_K);
  const first = VEHICLE_PARAMETER_COUNT + problem.prior.knotCount;
  const probe = Float64Array.from(z);
  active.forEach((i, d) => {
    for (let k = 0; k < bins; k++) along[d * bins + k]! *= slope[k]!;
    if (i < first) return;
    probe[i] = z[i]! + STEP_Z;
    const moved = seen(0, severitiesOf(problem, hypothesis, probe));
    probe[i] = z[i]!;
    for (let k = 0; k < bins; k++) along[d * bins + k]! += (moved[k]! - base[k]!) / STEP_Z;
  });
}
