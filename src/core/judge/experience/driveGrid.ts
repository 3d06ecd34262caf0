import { countPresent, duration_s, type ChannelName, type Trace, type Vehicle } from '../../base';
import { binMeans, resample } from '../../signal';
import type { TwinInputs } from '../../twin';

/** Width of a cell of the grid on which figures of the course are taken, s. */
export const CELL_S = 10;

/** A drive on one grid of {@link CELL_S}: NaN where nothing was measured, null for a channel that was not logged. */
export interface DriveGrid {
  readonly cells: number;
  readonly vehicle: Vehicle;
  /** Reading without bad samples, °C. */
  readonly ect_c: Float64Array;
  readonly channel: (name: ChannelName) => Float64Array | null;
  /** Estimated fuel power relative to 15 kW per litre; 1 throughout where nothing tells. */
  readonly fuel: Float64Array;
  /** True from the first cell at which the reading comes near regulation, or after half of the drive. */
  readonly late: (k: number) => boolean;
  /** Lowest temperature at which the thermostat may regulate, °C. */
  readonly lowest_c: number;
}

/** How far under regulation the reading counts as near it, K. */
const NEAR_K = 10;

/** Widest hole that is bridged, cells: a slow logger polls a channel every half minute. */
const WIDEST_HOLE = 6;

/** Fills small holes by straight lines. */
function bridged(values: Float64Array): Float64Array {
  const out = Float64Array.from(values);
  let before = -1;
  for (let k = 0; k < out.length; k++) {
    if (!Number.isFinite(values[k]!)) continue;
    if (before >= 0 && k - before > 1 && k - before <= WIDEST_HOLE) {
      for (let j = before + 1; j < k; j++) {
        out[j] = values[before]! + ((values[k]! - values[before]!) * (j - before)) / (k - before);
      }
    }
    before = k;
  }
  return out;
}

/** Puts a drive on the grid. @param masked the trace without bad samples */
export function driveGrid(masked: Trace, vehicle: Vehicle, inputs: TwinInputs): DriveGrid {
  const t0 = masked.time_s[0]!;
  const time_s = masked.time_s.map((t) => t - t0);
  const cells = Math.max(4, Math.floor(duration_s(masked) / CELL_S) + 1);
  const binned = (values: Float64Array) => bridged(binMeans(time_s, values, CELL_S, cells).mean);
  const kept = new Map<ChannelName, Float64Array | null>();
  const channel = (name: ChannelName): Float64Array | null => {
    const found = kept.get(name);
    if (found !== undefined) return found;
    const values = masked.channels[name];
    const made = values && countPresent(values) >= 5 ? binned(values) : null;
    kept.set(name, made);
    return made;
  };
  const ect_c = binned(masked.channels.ect_c);
  const steps = Float64Array.from({ length: inputs.steps }, (_, k) => (k + 0.5) * inputs.step_s);
  const at = Float64Array.from({ length: cells }, (_, k) => (k + 0.5) * CELL_S);
  const lowest_c = Math.min(vehicle.thermostat.rated_c, vehicle.thermostat.heated_rated_c ?? Infinity);
  const near = ect_c.findIndex((v) => v >= lowest_c - NEAR_K);
  const from = near >= 0 ? Math.min(near, Math.floor(cells / 2)) : Math.floor(cells / 2);
  return {
    cells,
    vehicle,
    ect_c,
    channel,
    fuel: inputs.heatSource === 'unknown' ? new Float64Array(cells).fill(1) : resample(steps, inputs.specificFuel, at),
    late: (k) => k >= from,
    lowest_c,
  };
}
