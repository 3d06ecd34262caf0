import { constantList, runConstants, VEHICLE_PARAMETER_COUNT, type TwinFault, type TwinParameters } from '../../twin';
import type { Hypothesis } from './hypotheses';
import { severitiesOf, type TraceProblem } from './traceFit';

/** What a point z of a hypothesis stands for in a run of the twin. */
export interface RunPoint {
  readonly severity: readonly number[];
  readonly fault: TwinFault;
  readonly parameters: TwinParameters;
  /** As `constantList` gives them. */
  readonly constants: Float64Array;
  readonly knots: Float64Array;
}

/** Makes a point ready for the kernel. */
export function runPoint(problem: TraceProblem, hypothesis: Hypothesis, z: Float64Array): RunPoint {
  const { prior, inputs, workspace } = problem;
  const severity = severitiesOf(problem, hypothesis, z);
  const fault = hypothesis.toFault(severity);
  const parameters = prior.toParameters(z);
  return {
    ...{ severity, fault, parameters },
    constants: constantList(runConstants(inputs, parameters, fault, workspace.engineCapacity)),
    knots: prior.toKnots(z.subarray(VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETER_COUNT + prior.knotCount)),
  };
}

/** The drive that runs of a fault are of. */
export const runDrive = ({ inputs, prior, workspace }: TraceProblem, fault: TwinFault) => ({
  ...{ inputs, prior, fault },
  cellCapacity: workspace.radiatorCapacity / 2,
});
