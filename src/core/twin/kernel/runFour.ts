import type { Kernel } from './kernel';
import { type KernelDrive, layDrive, type RunFigures } from './laidDrive';
import * as L from './layout';

/** Runs that go side by side. */
export const SIDE_BY_SIDE = 4;

/** What four runs read: bin k of run r at `4k + r`, °C. Views: copy to keep. */
export interface FourRuns {
  readonly element: Float32Array;
  /** Coolant that leaves the radiator at the end of each bin. */
  readonly outlet: Float32Array;
}

/**
 * Runs the twin for up to four sets of figures side by side, in single precision: within some 10^-3 K of `simulateTwin`.
 *
 * @param runs one to four; where there are fewer, the last stands for the rest
 */
export function runFour(kernel: Kernel, drive: KernelDrive, runs: readonly RunFigures[]): FourRuns {
  const knots = runs[0]!.knots.length;
  const { memory, places } = layDrive(kernel, drive, knots);
  const view = (at: number, length: number) =>
    new Float32Array(memory.buffer, Float64Array.BYTES_PER_ELEMENT * at, SIDE_BY_SIDE * length);
  const constantsAt = view(places.fourConstants, L.CONSTANTS);
  const knotsAt = view(places.fourKnots, knots);
  for (let r = 0; r < SIDE_BY_SIDE; r++) {
    const run = runs[Math.min(r, runs.length - 1)]!;
    for (let i = 0; i < L.CONSTANTS; i++) constantsAt[SIDE_BY_SIDE * i + r] = run.constants[i]!;
    for (let i = 0; i < knots; i++) knotsAt[SIDE_BY_SIDE * i + r] = run.knots[i]!;
  }
  kernel.functions.runFour();
  return {
    element: view(places.fourElement, drive.inputs.bins),
    outlet: view(places.fourOutlet, drive.inputs.bins),
  };
}
