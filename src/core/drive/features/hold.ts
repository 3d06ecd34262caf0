import { quantileSorted } from 'd3-array';
import { GRID_S } from '../driveSeries';
import { within, type DrivingPhase } from '../phases';
import { reach, type FeatureDrive, type NotTold, type Told } from './feature';

/** Seconds in which the thermostat regulates; the whole warm part of the drive where no opening is told. */
export function regulating(drive: FeatureDrive): Uint8Array {
  const { series, smooth, phases, opens_c } = drive;
  const n = series.time_s.length;
  const told = within(phases.thermal, ['regulation'], n);
  if (told.includes(1)) return told;
  const off = within(phases.thermal, ['soak', 'heat-soak', 'engine-off'], n);
  const from = smooth.level_c.findIndex((v) => v >= opens_c - 3);
  return told.map((_, i) => (from >= 0 && i >= from && off[i] === 0 ? 1 : 0));
}

/** Neighbouring seconds tell the same: independent about once in so many. */
const INDEPENDENT_S = 60;
/** Last stretch that a plateau is read from, s, and the shortest that tells one. */
const PLATEAU_S = 600;
const SHORTEST_S = 120;
/** A level that still moves by more than this over its stretch is no plateau, K/min. */
const STILL_KPMIN = 0.8;

interface Held {
  readonly mean: number;
  readonly sd: number;
  readonly low: number;
  readonly high: number;
  readonly from_s: number;
  readonly to_s: number;
}

/** Mean and band of the reading over marked seconds; null for less than two minutes of it. */
function heldOver(drive: FeatureDrive, mask: Uint8Array): Held | null {
  const values: number[] = [];
  for (let i = 0; i < mask.length; i++) {
    if (mask[i] === 1 && Number.isFinite(drive.smooth.level_c[i]!)) values.push(drive.smooth.level_c[i]!);
  }
  if (values.length * GRID_S < SHORTEST_S) return null;
  const { from, to } = reach(mask);
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const spread = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
  const independent = Math.max(1, (values.length * GRID_S) / INDEPENDENT_S);
  values.sort((a, b) => a - b);
  return {
    mean,
    sd: Math.hypot(0.1 + 0.1 * drive.series.rounding_k, spread / Math.sqrt(independent)),
    low: quantileSorted(values, 0.05)!,
    high: quantileSorted(values, 0.95)!,
    from_s: from * GRID_S,
    to_s: (to + 1) * GRID_S,
  };
}

/** The last seconds of a mask, as many as make a plateau. */
function lastOf(mask: Uint8Array, seconds: number): Uint8Array {
  const out = new Uint8Array(mask.length);
  let left = seconds / GRID_S;
  for (let i = mask.length - 1; i >= 0 && left > 0; i--) {
    if (mask[i] === 0) continue;
    out[i] = 1;
    left--;
  }
  return out;
}

/** Seconds of the level that a drive ends on: regulating, or where the reading has stopped rising below that. */
function plateauMask(drive: FeatureDrive): Uint8Array | NotTold {
  const regulated = regulating(drive);
  if (reach(regulated).count * GRID_S >= SHORTEST_S) return lastOf(regulated, PLATEAU_S);
  const { smooth, phases, series } = drive;
  const off = within(phases.thermal, ['soak', 'heat-soak', 'engine-off'], series.time_s.length);
  const last = lastOf(
    off.map((v) => 1 - v),
    PLATEAU_S / 2,
  );
  const { from, to, count } = reach(last);
  if (count * GRID_S < SHORTEST_S) return { why: 'The drive is too short for a level.' };
  const moved = ((smooth.level_c[to]! - smooth.level_c[from]!) / ((to - from) * GRID_S)) * 60;
  return Math.abs(moved) <= STILL_KPMIN ? last : { why: 'The reading was still moving when the drive ended.' };
}

/** Mean of the last stable stretch. */
export function plateau(drive: FeatureDrive): Told | NotTold {
  const mask = plateauMask(drive);
  if ('why' in mask) return mask;
  const held = heldOver(drive, mask);
  if (!held) return { why: 'The reading is missing at the end of the drive.' };
  const { mean, sd, low, high, from_s, to_s } = held;
  return { value: mean, sd, band: [low, high], from_s, to_s };
}

/** 5th to 95th percentile of the last stable stretch. */
export function plateauSpread(drive: FeatureDrive): Told | NotTold {
  const level = plateau(drive);
  if ('why' in level) return level;
  const [low, high] = level.band!;
  const { from_s, to_s } = level;
  return { value: high - low, sd: 0.3 + 0.2 * drive.series.rounding_k, from_s, to_s };
}

/** Level held while the car did one thing, once the thermostat regulates. */
export function heldWhile(drive: FeatureDrive, kind: DrivingPhase): Told | NotTold {
  const { phases, series } = drive;
  if (!series.speed_kmh) return { why: 'Road speed was not logged.' };
  if ((kind === 'climb' || kind === 'coast') && !phases.gradesTold) {
    return { why: 'Climbs and coasts are told by load or air flow, which was not logged.' };
  }
  const regulated = regulating(drive);
  if (!regulated.includes(1)) return { why: 'The drive was never warm enough to hold a level.' };
  const doing = within(phases.driving, [kind], series.time_s.length);
  const held = heldOver(
    drive,
    doing.map((v, i) => v & regulated[i]!),
  );
  if (!held) return { why: 'Less than two minutes of it once warm.' };
  const { mean, sd, low, high, from_s, to_s } = held;
  return { value: mean, sd, band: [low, high], from_s, to_s };
}

/** Highest reading, bad samples left out. */
export function peak({ series }: FeatureDrive): Told | NotTold {
  let at = -1;
  for (let i = 0; i < series.reading_c.length; i++) {
    if (Number.isFinite(series.reading_c[i]!) && (at < 0 || series.reading_c[i]! > series.reading_c[at]!)) at = i;
  }
  if (at < 0) return { why: 'No reading was logged.' };
  const at_s = at * GRID_S;
  return { value: series.reading_c[at]!, sd: 0.3 * series.rounding_k + 0.1, from_s: at_s, to_s: at_s };
}

/** Time with the reading above the stop limit. */
export function minutesAbove({ series, limit_c }: FeatureDrive): Told | NotTold {
  const above = Uint8Array.from(series.reading_c, (v) => (v > limit_c ? 1 : 0));
  const near = Uint8Array.from(series.reading_c, (v) => (Math.abs(v - limit_c) <= series.rounding_k / 2 ? 1 : 0));
  const { from, to, count } = reach(above);
  if (!series.reading_c.some(Number.isFinite)) return { why: 'No reading was logged.' };
  const place = count > 0 ? { from_s: from * GRID_S, to_s: (to + 1) * GRID_S } : { from_s: 0, to_s: 0 };
  return { value: (count * GRID_S) / 60, sd: Math.max(GRID_S, reach(near).count * GRID_S) / 60, ...place };
}
