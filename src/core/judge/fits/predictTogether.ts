import { constantList, type Kernel, runConstants, runFour, SIDE_BY_SIDE, VEHICLE_PARAMETER_COUNT } from '../../twin';
import type { Hypothesis } from './hypotheses';
import { severitiesOf, type TraceProblem } from './traceFit';

/** Room for what one run of several reads, per bin. */
export interface Prediction {
  readonly reading_c: Float64Array;
  /** Coolant that leaves the radiator. */
  readonly outlet_c: Float64Array;
}

/** Predicted readings, see `predictReading`, at one to four points z of a hypothesis, within some 10^-3 K. */
export function predictTogether(
  kernel: Kernel,
  problem: TraceProblem,
  hypothesis: Hypothesis,
  zs: readonly Float64Array[],
  out: readonly Prediction[],
): void {
  const { prior, inputs, workspace } = problem;
  const runs = zs.map((z) => {
    const severity = severitiesOf(problem, hypothesis, z);
    const fault = hypothesis.toFault(severity);
    const parameters = prior.toParameters(z);
    const constants = constantList(runConstants(inputs, parameters, fault, workspace.engineCapacity));
    const knots = prior.toKnots(z.subarray(VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETER_COUNT + prior.knotCount));
    return { severity, fault, constants, knots, senderOffset: parameters.senderOffset };
  });
  const { fault } = runs[0]!;
  const drive = { inputs, prior, fault, cellCapacity: workspace.radiatorCapacity / 2 };
  const { element, outlet } = runFour(kernel, drive, runs);
  runs.forEach(({ severity, senderOffset }, r) => {
    const { reading_c, outlet_c } = out[r]!;
    for (let k = 0; k < reading_c.length; k++) reading_c[k] = element[SIDE_BY_SIDE * k + r]!;
    if (problem.outlet) for (let k = 0; k < outlet_c.length; k++) outlet_c[k] = outlet[SIDE_BY_SIDE * k + r]!;
    hypothesis.observe?.(reading_c, severity);
    if (senderOffset !== 0) for (let k = 0; k < reading_c.length; k++) reading_c[k]! += senderOffset;
  });
}
