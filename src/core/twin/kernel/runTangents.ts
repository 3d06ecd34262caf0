import type { Kernel } from './kernel';
import { type KernelDrive, layDrive, type Places, ROOM, type RunFigures } from './laidDrive';
import * as L from './layout';

/** Directions that go through a step together. */
const LANES = 4;

/** Derivatives of a run along some directions: bin k along direction d at `d × bins + k`. Views: copy to keep. */
export interface RunTangents {
  readonly element: Float64Array;
  readonly outlet: Float64Array | null;
  /** The run itself, as `simulateTwin` gives it. */
  readonly element_c: Float64Array;
}

/** Room of a row of directions. */
export const rowOf = (directions: number): number => LANES * Math.ceil(directions / LANES);

/** Puts what the directions change into memory, row by row; what is all zero is left out. */
function layFeeds(memory: Float64Array, { first, where, value }: Places, along: Float32Array, width: number): void {
  // Whole and single numbers take half the room of the others.
  const whole = new Int32Array(memory.buffer);
  const single = new Float32Array(memory.buffer);
  const rows = along.length / width;
  let entries = 0;
  for (let row = 0; row < rows; row++) {
    whole[2 * first + row] = entries;
    for (let d = 0; d < width; d += LANES) {
      const at = row * width + d;
      if (along[at] === 0 && along[at + 1] === 0 && along[at + 2] === 0 && along[at + 3] === 0) continue;
      whole[2 * where + entries] = Float32Array.BYTES_PER_ELEMENT * d;
      for (let lane = 0; lane < LANES; lane++) single[2 * value + LANES * entries + lane] = along[at + lane]!;
      entries++;
    }
  }
  whole[2 * first + rows] = entries;
}

/**
 * Runs the twin with its derivatives along `count` directions; none is the run alone. Throws a RangeError for more than there is room for.
 *
 * @param along what each direction changes: constant of `constantList`, or after all of these knot, i by direction d at
 *   `i × rowOf(count) + d`
 */
export function runTangents(
  kernel: Kernel,
  run: KernelDrive & RunFigures,
  count: number,
  along: Float32Array,
  wantsOutlet: boolean,
): RunTangents {
  const { constants, knots } = run;
  const width = rowOf(count);
  if (width > ROOM || along.length !== width * (L.CONSTANTS + knots.length)) {
    throw new RangeError(`runTangents: room for ${ROOM} directions, got ${count} in ${along.length} numbers`);
  }
  const { memory, places } = layDrive(kernel, run, knots.length);
  memory.set(constants, places.constants);
  memory.set(knots, places.knots);
  if (count > 0) layFeeds(memory, places, along, width);
  memory[L.H_WANTS_OUTLET] = wantsOutlet ? 1 : 0;
  kernel.functions.run(width);
  const { bins } = run.inputs;
  const columns = (at: number) => memory.subarray(at, at + count * bins);
  return {
    element: columns(places.elementAlong),
    outlet: wantsOutlet ? columns(places.outletAlong) : null,
    element_c: memory.subarray(places.element, places.element + bins),
  };
}
