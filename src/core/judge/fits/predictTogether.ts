import { type Kernel, runFour, SIDE_BY_SIDE } from '../../twin';
import type { Hypothesis } from './hypotheses';
import { runDrive, runPoint } from './runPoint';
import type { TraceProblem } from './traceFit';

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
  const runs = zs.map((z) => runPoint(problem, hypothesis, z));
  const { element, outlet } = runFour(kernel, runDrive(problem, runs[0]!.fault), runs);
  runs.forEach(({ severity, parameters: { senderOffset } }, r) => {
    const { reading_c, outlet_c } = out[r]!;
    for (let k = 0; k < reading_c.length; k++) reading_c[k] = element[SIDE_BY_SIDE * k + r]!;
    if (problem.outlet) for (let k = 0; k < outlet_c.length; k++) outlet_c[k] = outlet[SIDE_BY_SIDE * k + r]!;
    hypothesis.observe?.(reading_c, severity);
    if (senderOffset !== 0) for (let k = 0; k < reading_c.length; k++) reading_c[k]! += senderOffset;
  });
}
