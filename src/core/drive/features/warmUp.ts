import { GRID_S } from '../driveSeries';
import { within } from '../phases';
import { levelSd_k, type FeatureDrive, type NotTold, type Told } from './feature';

/** First second at which the engine runs. */
function engineStart(drive: FeatureDrive): number {
  const soak = drive.phases.thermal.find((p) => p.kind === 'soak' && p.from_s === 0);
  return soak ? soak.to_s : 0;
}

/** Time from engine start to a level, s, with the slope there. */
function crossing(drive: FeatureDrive, at_c: number): { at_s: number; slope: number } | NotTold {
  const { level_c, slope } = drive.smooth;
  const first = level_c.findIndex(Number.isFinite);
  if (first < 0) return { why: 'No reading was logged.' };
  if (level_c[first]! >= at_c) return { why: 'The drive began above it.' };
  for (let i = first + 1; i < level_c.length; i++) {
    if (!(level_c[i]! >= at_c)) continue;
    const before = level_c[i - 1]!;
    const part = Number.isFinite(before) && level_c[i]! > before ? (at_c - before) / (level_c[i]! - before) : 1;
    return { at_s: (i - 1 + part) * GRID_S, slope: slope[i]! };
  }
  return { why: 'The reading never came to it on this drive.' };
}

/** Minutes from engine start until the reading comes to a temperature. */
export function minutesTo(drive: FeatureDrive, at_c: number): Told | NotTold {
  const found = crossing(drive, at_c);
  if ('why' in found) return found;
  const start_s = engineStart(drive);
  if (found.at_s <= start_s) return { why: 'The drive began above it.' };
  const sd_s = Math.hypot(2, levelSd_k(drive.series) / Math.max(0.004, found.slope));
  return { value: (found.at_s - start_s) / 60, sd: sd_s / 60, from_s: start_s, to_s: found.at_s };
}

/** Rise of the reading before the opening per heat put in, K per MJ of fuel. */
export function risePerHeat(drive: FeatureDrive): Told | NotTold {
  const { series, smooth, bend, opens_c } = drive;
  if (!series.fuel_kw) return { why: 'Nothing was logged that tells the heat: log air flow, load or road speed.' };
  const { level_c } = smooth;
  const start = level_c.findIndex(Number.isFinite);
  if (start < 0) return { why: 'No reading was logged.' };
  const low = level_c[start]! + 3;
  const high = Math.min(level_c[start]! + 45, (bend.found?.reading_c ?? opens_c) - 3);
  const from = level_c.findIndex((v) => v >= low);
  const to = from < 0 ? -1 : level_c.findIndex((v, i) => i > from && v >= high);
  if (high < low + 12 || to < 0) return { why: 'The reading did not rise far enough before the opening.' };
  let heat_mj = 0;
  for (let i = from; i < to; i++) heat_mj += (series.fuel_kw[i]! * GRID_S) / 1000;
  const rise = level_c[to]! - level_c[from]!;
  if (!(heat_mj > 0.2)) return { why: 'Too little heat went in to tell.' };
  const value = rise / heat_mj;
  return {
    value,
    sd: value * Math.hypot(drive.fuelSd, (1.4 * levelSd_k(series)) / rise),
    from_s: from * GRID_S,
    to_s: to * GRID_S,
  };
}

/** Reading where the climb bends. */
export function bendTemperature({ bend }: FeatureDrive): Told | NotTold {
  if (!bend.found) return { why: bend.why };
  const { at_s, atSd_s, reading_c, readingSd_k } = bend.found;
  return { value: reading_c, sd: readingSd_k, from_s: Math.max(0, at_s - 2 * atSd_s), to_s: at_s + 2 * atSd_s };
}

/** Minutes from engine start to the bend. */
export function openingTime(drive: FeatureDrive): Told | NotTold {
  const { found, why } = drive.bend;
  if (!found) return { why };
  const start_s = engineStart(drive);
  return {
    value: (found.at_s - start_s) / 60,
    sd: found.atSd_s / 60,
    from_s: Math.max(0, found.at_s - 2 * found.atSd_s),
    to_s: found.at_s + 2 * found.atSd_s,
  };
}

/** Longest time after the bend in which cold coolant from the radiator can pull the reading down, s. */
const DIP_WITHIN_S = 240;

/** How far the reading falls below its top when the first cold coolant comes back from the radiator. */
export function openingDip({ series, smooth, bend }: FeatureDrive): Told | NotTold {
  if (!bend.found) return { why: bend.why };
  const from = Math.max(0, Math.round((bend.found.at_s - 15) / GRID_S));
  const to = Math.min(series.time_s.length - 1, Math.round((bend.found.at_s + DIP_WITHIN_S) / GRID_S));
  if (to - from < 60) return { why: 'The drive ended too soon after the opening.' };
  let top = -Infinity;
  let deepest = 0;
  let place: readonly [number, number] = [from, to];
  let topAt = from;
  for (let i = from; i <= to; i++) {
    const v = smooth.level_c[i]!;
    if (!Number.isFinite(v)) continue;
    if (v > top) {
      top = v;
      topAt = i;
    }
    if (top - v > deepest) {
      deepest = top - v;
      place = [topAt, i];
    }
  }
  return { value: deepest, sd: 1.4 * levelSd_k(series), from_s: place[0] * GRID_S, to_s: place[1] * GRID_S };
}

/** Slope after key-off, once the reading no longer rises, K/min. */
export function coolDown({ series, smooth, phases }: FeatureDrive): Told | NotTold {
  const off = within(phases.thermal, ['heat-soak', 'engine-off'], series.time_s.length);
  const last = phases.thermal.findLast((p) => p.kind === 'engine-off');
  if (!off.includes(1))
    return { why: 'The engine was not seen to stop: keep logging after key-off, with engine speed.' };
  if (!last || last.to_s - last.from_s < 180) return { why: 'The log ended within three minutes of cooling.' };
  const from = Math.round(last.from_s / GRID_S);
  const to = Math.min(series.time_s.length - 1, Math.round(last.to_s / GRID_S) - 1);
  const span_min = ((to - from) * GRID_S) / 60;
  const value = (smooth.level_c[to]! - smooth.level_c[from]!) / span_min;
  if (!Number.isFinite(value)) return { why: 'The reading is missing while it cooled.' };
  return { value, sd: (1.4 * levelSd_k(series)) / span_min, from_s: last.from_s, to_s: last.to_s };
}
