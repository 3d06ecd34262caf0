import { GRID_S } from '../driveSeries';
import { within, type Span } from '../phases';
import { levelSd_k, lineThrough, type FeatureDrive, type NotTold, type Told } from './feature';
import { regulating } from './hold';

/** Speed acts on the reading through radiator and hoses, s: the mean over this is what it answers to. */
const ANSWERS_AFTER_S = 90;
/** Least spread of road speed that tells a slope, km/h. */
const LEAST_SPREAD_KMH = 12;

/** Mean of the last `width_s` at each second. */
function trailing(values: Float64Array, width_s: number): Float64Array {
  const width = Math.round(width_s / GRID_S);
  let sum = 0;
  return values.map((v, i) => {
    sum += Number.isFinite(v) ? v : 0;
    if (i >= width) sum -= Number.isFinite(values[i - width]!) ? values[i - width]! : 0;
    return sum / Math.min(width, i + 1);
  });
}

/** Change of the held level per 10 km/h of road speed. */
export function speedSag(drive: FeatureDrive): Told | NotTold {
  const { series, smooth } = drive;
  if (!series.speed_kmh) return { why: 'Road speed was not logged.' };
  const warm = regulating(drive);
  const speed = trailing(series.speed_kmh, ANSWERS_AFTER_S);
  const x: number[] = [];
  const y: number[] = [];
  let from = -1;
  let to = -1;
  const every = 15;
  for (let i = 0; i < warm.length; i += every) {
    if (warm[i] === 0 || !Number.isFinite(smooth.level_c[i]!) || !Number.isFinite(speed[i]!)) continue;
    x.push(speed[i]! / 10);
    y.push(smooth.level_c[i]!);
    if (from < 0) from = i;
    to = i;
  }
  if (x.length < 16) return { why: 'Less than four minutes once warm.' };
  const { slope, sd } = lineThrough(x, y);
  const mean = x.reduce((a, b) => a + b, 0) / x.length;
  const spread = Math.sqrt(x.reduce((s, v) => s + (v - mean) ** 2, 0) / x.length) * 10;
  if (spread < LEAST_SPREAD_KMH) return { why: 'Road speed hardly changed once warm.' };
  // Samples of neighbouring quarter minutes repeat each other.
  const repeated = Math.sqrt(ANSWERS_AFTER_S / (every * GRID_S));
  return { value: slope, sd: sd * repeated, from_s: from * GRID_S, to_s: (to + 1) * GRID_S };
}

/** Standing shorter than this tells no slope; the reading still answers to what was before for the first of it, s. */
const LEAST_STAND_S = 50;
const SETTLES_S = 15;
/** Engine speed above which an engine at standstill is held at speed, times idle. */
const HELD_FROM = 1.6;

const warmStands = (drive: FeatureDrive): Span[] => {
  const { phases, smooth, threshold_c } = drive;
  return phases.driving.filter(
    (p) =>
      p.kind === 'standstill' &&
      p.to_s - p.from_s >= LEAST_STAND_S &&
      smooth.level_c[Math.round((p.from_s + SETTLES_S) / GRID_S)]! > threshold_c,
  );
};

interface Slope {
  readonly kpmin: number;
  readonly sd: number;
  readonly from_s: number;
  readonly to_s: number;
  readonly lasted_s: number;
}

/** Mean slope over pieces of time, each weighed by its length. */
function meanSlope(drive: FeatureDrive, pieces: readonly (readonly [from: number, to: number])[]): Slope | null {
  const { level_c } = drive.smooth;
  let rise = 0;
  let lasted = 0;
  let variance = 0;
  const sd = levelSd_k(drive.series);
  const used = pieces.filter(([a, b]) => b > a && Number.isFinite(level_c[b]! - level_c[a]!));
  for (const [a, b] of used) {
    rise += level_c[b]! - level_c[a]!;
    lasted += (b - a) * GRID_S;
    variance += 2 * sd * sd;
  }
  if (lasted <= 0) return null;
  return {
    kpmin: (60 * rise) / lasted,
    sd: (60 * Math.sqrt(variance)) / lasted,
    from_s: used[0]![0] * GRID_S,
    to_s: used.at(-1)![1] * GRID_S,
    lasted_s: lasted,
  };
}

const told = ({ kpmin, sd, from_s, to_s }: Slope): Told => ({ value: kpmin, sd, from_s, to_s });

/** Pieces of warm standstill with the engine idling, and held at speed. */
function standPieces(drive: FeatureDrive): { idle: [number, number][]; held: [number, number][] } {
  const { rpm } = drive.series;
  const { idle_rpm } = drive.vehicle.engine;
  const out = { idle: [] as [number, number][], held: [] as [number, number][] };
  for (const stand of warmStands(drive)) {
    const from = Math.round((stand.from_s + SETTLES_S) / GRID_S);
    const to = Math.min(drive.series.time_s.length - 1, Math.round(stand.to_s / GRID_S) - 1);
    if (!rpm) {
      out.idle.push([from, to]);
      continue;
    }
    for (let i = from; i < to;) {
      const held = rpm[i]! > HELD_FROM * idle_rpm;
      let end = i;
      while (end < to && rpm[end]! > HELD_FROM * idle_rpm === held) end++;
      if ((end - i) * GRID_S >= 25) (held ? out.held : out.idle).push([i, end]);
      i = Math.max(end, i + 1);
    }
  }
  return out;
}

/** Creep at warm standstill with the engine idling. */
export function standstillCreep(drive: FeatureDrive): Told | NotTold {
  if (!drive.series.speed_kmh) return { why: 'Road speed was not logged.' };
  const slope = meanSlope(drive, standPieces(drive).idle);
  return slope && slope.lasted_s >= 30 ? told(slope) : { why: 'It did not stand for a minute once warm.' };
}

/** What holding the engine at speed changes at standstill. */
export function recoveryByRevs(drive: FeatureDrive): Told | NotTold {
  if (!drive.series.speed_kmh) return { why: 'Road speed was not logged.' };
  if (!drive.series.rpm) return { why: 'Engine speed was not logged.' };
  const { idle, held } = standPieces(drive);
  const a = meanSlope(drive, idle);
  const b = meanSlope(drive, held);
  if (!a || !b || b.lasted_s < 25) return { why: 'The engine was not held at speed while standing warm.' };
  return { value: b.kpmin - a.kpmin, sd: Math.hypot(a.sd, b.sd), from_s: b.from_s, to_s: b.to_s };
}

/** How long moving off is watched, s. */
const MOVING_S = 120;

/** What driving off changes after warm standstill. */
export function recoveryByRoad(drive: FeatureDrive): Told | NotTold {
  const { series } = drive;
  if (!series.speed_kmh) return { why: 'Road speed was not logged.' };
  const stood = meanSlope(drive, standPieces(drive).idle);
  if (!stood || stood.lasted_s < 30) return { why: 'It did not stand for a minute once warm.' };
  const n = series.time_s.length;
  const stands = within(drive.phases.driving, ['standstill'], n);
  const pieces = warmStands(drive)
    .map((s): [number, number] => [
      Math.round((s.to_s + SETTLES_S) / GRID_S),
      Math.min(n - 1, Math.round((s.to_s + SETTLES_S + MOVING_S) / GRID_S)),
    ])
    .filter(([a, b]) => (b - a) * GRID_S >= 60 && stands.slice(a, b).filter((v) => v === 1).length < 0.2 * (b - a));
  const moving = meanSlope(drive, pieces);
  if (!moving) return { why: 'It did not drive off for two minutes after standing warm.' };
  return {
    value: moving.kpmin - stood.kpmin,
    sd: Math.hypot(moving.sd, stood.sd),
    from_s: moving.from_s,
    to_s: moving.to_s,
  };
}

/** Uncertainty of a vent thermometer and of the outside temperature, K. */
const VENT_SD_K = 1;
const OUTSIDE_SD_K = 2;

/** (vent - outside) / (coolant - outside), fresh air, in percent, at the last marked vent temperature. */
export function heaterEffectiveness({ marks, smooth, outside_c, series }: FeatureDrive): Told | NotTold {
  const mark = marks.findLast((m) => m.kind === 'vent' && m.value_c !== null);
  if (!mark) return { why: 'No vent temperature: mark one at its minute, on fresh air.' };
  if (outside_c === null) return { why: 'The outside temperature is not known.' };
  const coolant = smooth.level_c[Math.round(mark.at_s / GRID_S)];
  if (coolant === undefined || !Number.isFinite(coolant)) return { why: 'No coolant reading where the vent was read.' };
  const over = coolant - outside_c;
  if (over < 15) return { why: 'The coolant was too near to outside air to tell.' };
  const share = (mark.value_c! - outside_c) / over;
  const sd = Math.hypot(
    VENT_SD_K / over,
    (OUTSIDE_SD_K * Math.abs(1 - share)) / over,
    (share * levelSd_k(series)) / over,
  );
  return { value: 100 * share, sd: 100 * sd, from_s: mark.at_s, to_s: mark.at_s };
}
