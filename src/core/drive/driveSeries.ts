import { duration_s, presentAtLeast, sinceStart_s, type ChannelName, type Trace } from '../base';
import { resample } from '../signal';
import type { TwinInputs } from '../twin';

/** Step of the grid on which a drive is measured, s. */
export const GRID_S = 1;
/** Longest time between two samples of a channel that is bridged by a straight line, s. */
const BRIDGED_S = 45;

/**
 * A drive on one grid of {@link GRID_S}, from 0. A channel that was not logged is null; NaN is a hole of the log.
 */
export interface DriveSeries {
  readonly time_s: Float64Array;
  /** Coolant reading, bad samples taken out, °C. */
  readonly reading_c: Float64Array;
  readonly speed_kmh: Float64Array | null;
  readonly rpm: Float64Array | null;
  readonly load_pct: Float64Array | null;
  readonly fan_pct: Float64Array | null;
  readonly heater_pct: Float64Array | null;
  readonly ambient_c: Float64Array | null;
  readonly iat_c: Float64Array | null;
  readonly rad_out_c: Float64Array | null;
  /** Estimated fuel power, kW; null where nothing tells it. */
  readonly fuel_kw: Float64Array | null;
  /** Step in which the reading is given, K: 1 on the diagnostic bus. */
  readonly rounding_k: number;
}

/** Puts a channel on the grid; holes longer than {@link BRIDGED_S} stay holes. */
function onGrid(trace: Trace, name: ChannelName, time_s: Float64Array): Float64Array | null {
  const values = trace.channels[name];
  if (!values || !presentAtLeast(values, 2)) return null;
  const since = sinceStart_s(trace);
  const out = resample(since, values, time_s);
  let last = -Infinity;
  for (let i = 0; i <= since.length; i++) {
    const t = i < since.length ? since[i]! : Infinity;
    if (i < since.length && !Number.isFinite(values[i]!)) continue;
    if (t - last > BRIDGED_S) {
      const from = Math.max(0, Math.ceil((last + 1e-9) / GRID_S));
      const to = Math.min(out.length, Math.ceil(t / GRID_S));
      if (last > -Infinity || t > BRIDGED_S) out.fill(NaN, last === -Infinity ? 0 : from, to);
    }
    last = t;
  }
  return out;
}

/** Smallest usual step between two different readings, K; 0 for one that is not rounded. */
function roundingOf(values: Float64Array): number {
  let whole = 0;
  let tenths = 0;
  let n = 0;
  for (const v of values) {
    if (!Number.isFinite(v)) continue;
    n++;
    if (Math.abs(v - Math.round(v)) < 1e-6) whole++;
    if (Math.abs(10 * v - Math.round(10 * v)) < 1e-6) tenths++;
  }
  if (n === 0 || whole > 0.9 * n) return 1;
  return tenths > 0.9 * n ? 0.1 : 0.5;
}

/**
 * Puts a drive on the grid on which it is measured.
 *
 * @param masked the trace with bad samples of the reading taken out, at least two rows
 * @param inputs of the same trace, for the fuel power
 */
export function driveSeries(masked: Trace, inputs: TwinInputs): DriveSeries {
  const n = Math.max(2, Math.floor(duration_s(masked) / GRID_S) + 1);
  const time_s = Float64Array.from({ length: n }, (_, i) => i * GRID_S);
  const channel = (name: ChannelName) => onGrid(masked, name, time_s);
  const reference_kw = 15 * inputs.vehicle.engine.displacement_l;
  const fuel_kw =
    inputs.heatSource === 'unknown'
      ? null
      : time_s.map((t) => {
          const k = Math.min(inputs.steps - 1, Math.floor(t / inputs.step_s));
          return inputs.specificFuel[k]! * reference_kw;
        });
  return {
    time_s,
    reading_c: channel('ect_c') ?? new Float64Array(n).fill(NaN),
    speed_kmh: channel('speed_kmh'),
    rpm: channel('rpm'),
    load_pct: channel('load_pct'),
    fan_pct: channel('fan_pct'),
    heater_pct: channel('heater_pct'),
    ambient_c: channel('ambient_c'),
    iat_c: channel('iat_c'),
    rad_out_c: channel('rad_out_c'),
    fuel_kw,
    rounding_k: roundingOf(masked.channels.ect_c),
  };
}

/** The reading smoothed by a line through the samples around each moment, and its slope. */
export interface Smoothed {
  readonly level_c: Float64Array;
  /** K/s. */
  readonly slope: Float64Array;
}

/**
 * Local straight lines through the reading, over `half_s` to either side: rounding to whole degrees makes any shorter
 * slope worthless (work rule: smooth before slopes). NaN where fewer than half of the samples are there.
 */
export function smoothed(series: Pick<DriveSeries, 'reading_c'>, half_s = 15): Smoothed {
  const { reading_c } = series;
  const n = reading_c.length;
  const half = Math.round(half_s / GRID_S);
  const level_c = new Float64Array(n).fill(NaN);
  const slope = new Float64Array(n).fill(NaN);
  // Running sums over the window: count, t, t², y, ty, with t counted from the drive's start.
  let [c, st, stt, sy, sty] = [0, 0, 0, 0, 0];
  const add = (i: number, sign: 1 | -1): void => {
    if (i < 0 || i >= n || !Number.isFinite(reading_c[i]!)) return;
    const y = reading_c[i]!;
    c += sign;
    st += sign * i;
    stt += sign * i * i;
    sy += sign * y;
    sty += sign * i * y;
  };
  for (let i = 0; i < half; i++) add(i, 1);
  for (let i = 0; i < n; i++) {
    add(i + half, 1);
    add(i - half - 1, -1);
    if (c < Math.max(2, half)) continue;
    const mean = st / c;
    const spread = stt - c * mean * mean;
    const b = spread > 0 ? (sty - mean * sy) / spread : 0;
    level_c[i] = sy / c + b * (i - mean);
    slope[i] = b / GRID_S;
  }
  return { level_c, slope };
}
