import type { Vehicle } from '../base';
import { roadLoadFuel_kw, type HeatSource } from '../twin';
import { GRID_S, type DriveSeries, type Smoothed } from './driveSeries';

/** What the coolant does. */
export const THERMAL_PHASES = ['soak', 'warm-up', 'opening', 'regulation', 'heat-soak', 'engine-off'] as const;
/** What the car does while the engine runs. */
export const DRIVING_PHASES = ['standstill', 'slow', 'cruise', 'climb', 'coast'] as const;

/** Kind of thermal phase. */
export type ThermalPhase = (typeof THERMAL_PHASES)[number];
/** Kind of driving phase. */
export type DrivingPhase = (typeof DRIVING_PHASES)[number];

/** A stretch of a drive, s. */
export interface Span<K extends string = string> {
  readonly kind: K;
  readonly from_s: number;
  readonly to_s: number;
}

/** A drive cut into phases, twice: by what the coolant does, and by what the car does. */
export interface DrivePhases {
  readonly thermal: readonly Span<ThermalPhase>[];
  /** Empty where road speed was not logged. */
  readonly driving: readonly Span<DrivingPhase>[];
  /** True where load or air flow tell a climb from a cruise. */
  readonly gradesTold: boolean;
}

/** Engine speed below which it does not run, rpm. */
const RUNS_RPM = 200;
/** Standing still with the engine stopped for so long is key-off, s; a hybrid stops it at every light. */
const KEY_OFF_S = 45;
const KEY_OFF_HYBRID_S = 240;
const STANDS_KMH = 2;
const CRUISE_KMH = 50;
/** Fuel power against level road at that speed above which it climbs, and below which it coasts. */
const CLIMBS_FROM = 1.7;
const COASTS_TO = 0.35;
/** Speed from which a grade shows in the fuel, km/h. */
const GRADE_KMH = 25;
/** Driving phases shorter than this belong to what is around them, s. */
const SHORTEST_S = 15;
/** Regulation has begun when the level moves by less than this, K/min; opening lasts at most so long, s. */
const SETTLED_KPMIN = 1.2;
const LONGEST_OPENING_S = 300;

/** Runs of equal labels; null is no phase. */
function spansOf<K extends string>(labels: readonly (K | null)[]): Span<K>[] {
  const spans: Span<K>[] = [];
  let from = 0;
  for (let i = 1; i <= labels.length; i++) {
    if (i < labels.length && labels[i] === labels[from]) continue;
    const kind = labels[from];
    if (kind !== null && kind !== undefined) spans.push({ kind, from_s: from * GRID_S, to_s: i * GRID_S });
    from = i;
  }
  return spans;
}

/** Which seconds the engine runs. */
export function engineRuns(series: DriveSeries, hybrid: boolean): Uint8Array {
  const n = series.time_s.length;
  const { rpm, speed_kmh } = series;
  const runs = new Uint8Array(n).fill(1);
  if (!rpm) return runs;
  const stopped = (i: number): boolean => rpm[i]! < RUNS_RPM && !(speed_kmh !== null && speed_kmh[i]! >= STANDS_KMH);
  const least = (hybrid ? KEY_OFF_HYBRID_S : KEY_OFF_S) / GRID_S;
  for (let i = 0; i < n;) {
    let end = i;
    while (end < n && stopped(end)) end++;
    // Before the first start any stop counts: the key may have been on for seconds only.
    if (end > i && (end - i >= least || i === 0)) runs.fill(0, i, end);
    i = Math.max(end, i + 1);
  }
  return runs;
}

function thermalPhases(
  series: DriveSeries,
  smooth: Smoothed,
  runs: Uint8Array,
  opens_s: number | null,
): Span<ThermalPhase>[] {
  const n = runs.length;
  const labels = new Array<ThermalPhase | null>(n).fill(null);
  let started = false;
  let offLevel_c = NaN;
  let cooled = false;
  let settled = false;
  for (let i = 0; i < n; i++) {
    if (runs[i] === 0) {
      if (!started) labels[i] = 'soak';
      else {
        if (runs[i - 1] === 1) {
          offLevel_c = smooth.level_c[i]!;
          cooled = !(offLevel_c > 60);
        }
        if (smooth.level_c[i]! < offLevel_c - 1) cooled = true;
        labels[i] = cooled ? 'engine-off' : 'heat-soak';
      }
      continue;
    }
    started = true;
    if (opens_s === null || i * GRID_S < opens_s) labels[i] = 'warm-up';
    else {
      const since_s = i * GRID_S - opens_s;
      if (!settled && since_s > 30 && Math.abs(smooth.slope[i]!) * 60 < SETTLED_KPMIN) settled = true;
      if (since_s > LONGEST_OPENING_S) settled = true;
      labels[i] = settled ? 'regulation' : 'opening';
    }
  }
  return spansOf(labels);
}

/** Mean over `width_s` around each second. */
function around(values: Float64Array, width_s: number): Float64Array {
  const half = Math.round(width_s / 2 / GRID_S);
  const sums = new Float64Array(values.length + 1);
  const counts = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) {
    const there = Number.isFinite(values[i]!);
    sums[i + 1] = sums[i]! + (there ? values[i]! : 0);
    counts[i + 1] = counts[i]! + (there ? 1 : 0);
  }
  return values.map((_, i) => {
    const from = Math.max(0, i - half);
    const to = Math.min(values.length, i + half + 1);
    const count = counts[to]! - counts[from]!;
    return count > 0 ? (sums[to]! - sums[from]!) / count : NaN;
  });
}

/** Gives stretches shorter than {@link SHORTEST_S} to the longer neighbour. */
function withoutShort(labels: (DrivingPhase | null)[]): (DrivingPhase | null)[] {
  const out = [...labels];
  for (let from = 0; from < out.length;) {
    let to = from;
    while (to < out.length && out[to] === out[from]) to++;
    const before = from > 0 ? out[from - 1] : null;
    if (out[from] !== null && (to - from) * GRID_S < SHORTEST_S && before) out.fill(before, from, to);
    from = to;
  }
  return out;
}

function drivingPhases(
  series: DriveSeries,
  vehicle: Vehicle,
  runs: Uint8Array,
  gradesTold: boolean,
): Span<DrivingPhase>[] {
  const { speed_kmh, fuel_kw, rpm } = series;
  if (!speed_kmh) return [];
  const speed = around(speed_kmh, 10);
  const level = gradesTold
    ? around(
        speed_kmh.map((v, i) =>
          roadLoadFuel_kw(vehicle, {
            rpm: rpm ? rpm[i]! : NaN,
            speed_mps: v / 3.6,
            // Speeding up is no climb: what it takes is counted to the level road.
            acceleration_mps2: i > 0 ? (v - speed_kmh[i - 1]!) / 3.6 / GRID_S : 0,
            load_pct: NaN,
            maf_gps: NaN,
          }),
        ),
        30,
      )
    : null;
  const fuel = level && fuel_kw ? around(fuel_kw, 30) : null;
  const labels = Array.from(speed, (v, i): DrivingPhase | null => {
    if (runs[i] === 0 || !Number.isFinite(v)) return null;
    if (speed_kmh[i]! < STANDS_KMH) return 'standstill';
    const share = level && fuel ? fuel[i]! / Math.max(0.5, level[i]!) : 1;
    if (v > GRADE_KMH && share > CLIMBS_FROM) return 'climb';
    if (v > GRADE_KMH && share < COASTS_TO) return 'coast';
    return v >= CRUISE_KMH ? 'cruise' : 'slow';
  });
  return spansOf(withoutShort(labels));
}

/**
 * Cuts a drive into phases.
 *
 * @param opens_s when the thermostat begins to open; null when that is not told
 */
export function findPhases(
  series: DriveSeries,
  smooth: Smoothed,
  vehicle: Vehicle,
  heatSource: HeatSource,
  opens_s: number | null,
): DrivePhases {
  const runs = engineRuns(series, vehicle.engine.hybrid);
  const gradesTold = (heatSource === 'air-flow' || heatSource === 'load') && series.speed_kmh !== null;
  return {
    thermal: thermalPhases(series, smooth, runs, opens_s),
    driving: drivingPhases(series, vehicle, runs, gradesTold),
    gradesTold,
  };
}

/** Seconds of a drive that lie in spans of a kind. */
export function within<K extends string>(spans: readonly Span<K>[], kinds: readonly K[], n: number): Uint8Array {
  const out = new Uint8Array(n);
  for (const { kind, from_s, to_s } of spans) {
    if (kinds.includes(kind)) out.fill(1, Math.round(from_s / GRID_S), Math.min(n, Math.round(to_s / GRID_S)));
  }
  return out;
}
