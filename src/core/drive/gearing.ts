import type { DriveSeries } from './driveSeries';

/** A gear of a drive: engine speed per road speed, held for some time. */
export interface Gear {
  readonly rpmPerKmh: number;
  readonly held_s: number;
}

/** Road speed from which a clutch is closed and the wheel turns enough for the ratio to be exact, km/h. */
const FROM_KMH = 40;
/** Road speed from which a car that is driven to spare it runs in its longest gears, km/h. */
const TOP_GEAR_KMH = 70;
const TOP_HELD_S = 60;
/** Engine speed above idling, rpm: below it coasts in neutral. */
const FROM_RPM = 900;
/** Samples of one gear lie within so much of each other: tyre wear, slip and whole km/h, share. */
const WIDTH = 0.03;
/** A gear counts that was held for so long, s. */
const HELD_S = 15;
/** Two gears are the same within this, share: on 1591 archive pairs of one car 4 came out apart, at 0.025 3. */
const SAME_WITHIN = 0.015;

/** Gears that a drive was driven in, longest first; none where engine or road speed was not logged, or it has no gears. */
export function gearsOf({ speed_kmh, rpm }: Pick<DriveSeries, 'speed_kmh' | 'rpm'>, from_kmh = FROM_KMH): Gear[] {
  if (!speed_kmh || !rpm) return [];
  const logs: number[] = [];
  for (let i = 0; i < speed_kmh.length; i++) {
    if (speed_kmh[i]! >= from_kmh && rpm[i]! >= FROM_RPM) logs.push(Math.log(rpm[i]! / speed_kmh[i]!));
  }
  logs.sort((a, b) => a - b);
  const gears: Gear[] = [];
  for (let i = 0; i < logs.length;) {
    // The densest window that begins within one width of here.
    let best = { from: i, to: i };
    for (let k = i, to = i; k < logs.length && logs[k]! <= logs[i]! + WIDTH; k++) {
      while (to < logs.length && logs[to]! <= logs[k]! + WIDTH) to++;
      if (to - k > best.to - best.from) best = { from: k, to };
    }
    const held_s = best.to - best.from;
    if (held_s >= HELD_S) gears.push({ rpmPerKmh: Math.exp(logs[(best.from + best.to - 1) >> 1]!), held_s });
    i = Math.max(best.to, i + 1);
  }
  return gears;
}

/** Share of the driven time that lies in gears at all; a belt or a hybrid has none. */
function inGear({ speed_kmh, rpm }: Pick<DriveSeries, 'speed_kmh' | 'rpm'>, top: readonly Gear[]): boolean {
  if (!speed_kmh || !rpm) return false;
  const driven = speed_kmh.reduce((n, v, i) => n + (v >= TOP_GEAR_KMH && rpm[i]! >= FROM_RPM ? 1 : 0), 0);
  const longest = top[0];
  return driven >= TOP_HELD_S && longest !== undefined && longest.held_s >= 0.25 * driven;
}

/** Two drives by their gears. */
export interface GearingMatch {
  /** The longest gear of each, rpm per km/h; null where it was not shown. */
  readonly before: number | null;
  readonly after: number | null;
  readonly tolerance: number;
  /** False: no car has both. Null where one of them shows too little of its gears. */
  readonly agrees: boolean | null;
}

/**
 * Whether two drives can be of one car by the ratio of engine speed to road speed, which no fault of the cooling changes.
 * They are of different cars only where both ran fast enough for their longest gears and neither's longest gear is found
 * among any of the other's. A match proves nothing: another car of the kind has the same gears.
 */
export function gearingMatch(
  a: Pick<DriveSeries, 'speed_kmh' | 'rpm'>,
  b: Pick<DriveSeries, 'speed_kmh' | 'rpm'>,
): GearingMatch {
  const [topA, topB] = [gearsOf(a, TOP_GEAR_KMH), gearsOf(b, TOP_GEAR_KMH)];
  const [first, second] = [inGear(a, topA) ? topA[0]! : null, inGear(b, topB) ? topB[0]! : null];
  const before = first?.rpmPerKmh ?? null;
  const after = second?.rpmPerKmh ?? null;
  const tolerance = SAME_WITHIN * Math.max(before ?? 0, after ?? 0);
  if (before === null || after === null) return { before, after, tolerance, agrees: null };
  const has = (gears: readonly Gear[], ratio: number) =>
    gears.some((g) => Math.abs(Math.log(g.rpmPerKmh / ratio)) <= SAME_WITHIN);
  const same = has(gearsOf(b), before) || has(gearsOf(a), after);
  return { before, after, tolerance, agrees: same };
}
