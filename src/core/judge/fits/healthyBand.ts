import { quantileSorted } from 'd3-array';
import { inverseNormal } from '../../signal';
import { parameterIndex, twinTruth, VEHICLE_PARAMETER_COUNT } from '../../twin';
import type { Hypothesis } from './hypotheses';
import { firstGuess, predictReading, type TraceProblem, vectorSize } from './traceFit';

/** Draws of the prior that the band is made of. */
const DRAWS = 48;

/** The prediction for a sound vehicle of this type on this drive, before its trace is seen. */
export interface HealthyBand {
  readonly low_c: Float64Array;
  readonly mid_c: Float64Array;
  readonly high_c: Float64Array;
}

/** One vehicle of the type, drawn from the priors, on the drive. Arrays have one entry per bin. */
export interface DrawnDrive {
  readonly reading_c: Float64Array;
  readonly lift: Float64Array;
}

/** Vehicles drawn from the priors of a hypothesis, on this drive, before its trace is seen. */
export function drawDrives(problem: TraceProblem, hypothesis: Hypothesis, draws = DRAWS): DrawnDrive[] {
  const size = vectorSize(problem, hypothesis);
  const base = firstGuess(problem, hypothesis, hypothesis.starts[0]!);
  const keep = [parameterIndex('startExcess'), ...(problem.inputs.ambientSd_k > 5 ? [parameterIndex('ambient')] : [])];
  const truth = twinTruth(problem.inputs);
  const runs: DrawnDrive[] = [];
  for (let d = 0; d < draws; d++) {
    const z = new Float64Array(size);
    for (let i = 0; i < size; i++) {
      // Each coordinate walks its own irrational rotation (square roots of primes would do as well).
      const step = (Math.sqrt(5 + 3 * i) % 1) + 1e-3;
      z[i] = inverseNormal(Math.min(0.995, Math.max(0.005, (0.5 + (d + 1) * step) % 1)));
    }
    for (const i of keep) z[i] = base[i]!;
    for (let i = VEHICLE_PARAMETER_COUNT + problem.prior.knotCount; i < size; i++) z[i] = base[i]!;
    const reading_c = Float64Array.from(predictReading(problem, hypothesis, z, truth));
    runs.push({ reading_c, lift: Float64Array.from(truth.lift) });
  }
  return runs;
}

/** 10th, 50th and 90th percentile of the reading over the priors of a hypothesis, per bin. */
export function predictBand(problem: TraceProblem, hypothesis: Hypothesis): HealthyBand {
  const { bins } = problem.inputs;
  const runs = drawDrives(problem, hypothesis).map((r) => r.reading_c);
  const band: HealthyBand = {
    low_c: new Float64Array(bins),
    mid_c: new Float64Array(bins),
    high_c: new Float64Array(bins),
  };
  for (let k = 0; k < bins; k++) {
    const sorted = runs.map((r) => r[k]!).sort((x, y) => x - y);
    band.low_c[k] = quantileSorted(sorted, 0.1)!;
    band.mid_c[k] = quantileSorted(sorted, 0.5)!;
    band.high_c[k] = quantileSorted(sorted, 0.9)!;
  }
  return band;
}
