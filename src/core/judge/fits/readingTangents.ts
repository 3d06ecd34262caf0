import {
  constantList,
  parameterIndex,
  rowOf,
  runConstants,
  runTangents,
  VEHICLE_PARAMETER_COUNT,
  VEHICLE_PARAMETERS,
  type Kernel,
} from '../../twin';
import type { Hypothesis } from './hypotheses';
import { runDrive, runPoint, type RunPoint } from './runPoint';
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

/** What each coordinate changes: constants of the run, its heat knots, the offset of a sound sender. */
interface Along {
  /** As `runTangents` takes them. */
  readonly changes: Float32Array;
  /** Per coordinate, K per unit. */
  readonly offset: Float64Array;
}

/** Position among the parameters of the one that moves another beside itself: people heat by the weather. */
const AMBIENT = parameterIndex('ambient');

function alongEach(
  problem: TraceProblem,
  hypothesis: Hypothesis,
  z: Float64Array,
  active: readonly number[],
  here: RunPoint,
): Along {
  const { prior, inputs, workspace } = problem;
  const first = VEHICLE_PARAMETER_COUNT;
  const last = first + prior.knotCount;
  const coordinates = new Float64Array(prior.knotCount);
  const rest = prior.toKnots(coordinates);
  const offset = new Float64Array(active.length);
  const probe = Float64Array.from(z);
  const width = rowOf(active.length);
  const changes = new Float32Array(width * (here.constants.length + rest.length));
  const shifted = { ...here.parameters };
  // Each parameter follows its own coordinate: all are moved at once and taken one by one.
  const moved = prior.toParameters(z.map((v, i) => (i === AMBIENT ? v : v + STEP_Z)));
  active.forEach((i, d) => {
    if (i >= first && i < last) {
      coordinates[i - first] = 1;
      prior.toKnots(coordinates).forEach((v, k) => {
        changes[(here.constants.length + k) * width + d] = v - rest[k]!;
      });
      coordinates[i - first] = 0;
      return;
    }
    probe[i] = z[i]! + STEP_Z;
    const name = VEHICLE_PARAMETERS[i]?.name;
    if (i === AMBIENT) Object.assign(shifted, prior.toParameters(probe));
    else if (name) shifted[name] = moved[name];
    const fault = i < first ? here.fault : hypothesis.toFault(severitiesOf(problem, hypothesis, probe));
    const there = constantList(runConstants(inputs, shifted, fault, workspace.engineCapacity));
    offset[d] = (shifted.senderOffset - here.parameters.senderOffset) / STEP_Z;
    probe[i] = z[i]!;
    if (i === AMBIENT) Object.assign(shifted, here.parameters);
    else if (name) shifted[name] = here.parameters[name];
    for (let row = 0; row < there.length; row++) {
      changes[row * width + d] = (there[row]! - here.constants[row]!) / STEP_Z;
    }
  });
  return { changes, offset };
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
  const here = runPoint(problem, hypothesis, z);
  const { changes, offset } = alongEach(problem, hypothesis, z, active, here);
  const run = { ...runDrive(problem, here.fault), ...here };
  const { element, outlet, element_c } = runTangents(kernel, run, active.length, changes, problem.outlet !== null);
  if (hypothesis.observe) observed(problem, hypothesis, z, active, element_c, element);
  const { bins } = problem.inputs;
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
