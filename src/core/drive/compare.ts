import { GRID_S, type DriveSeries, type Smoothed } from './driveSeries';
import { gearingMatch } from './gearing';
import { within, type DrivePhases } from './phases';

/** Conditions that must agree for two drives to be compared. */
export type ComparedCondition = 'outside' | 'start' | 'load' | 'speed' | 'heater' | 'length' | 'gearing';

/** One condition of two drives. */
export interface ConditionDifference {
  readonly condition: ComparedCondition;
  /** Null where it is not known of that drive. */
  readonly before: number | null;
  readonly after: number | null;
  readonly tolerance: number;
  readonly unit: '°C' | 'kW' | 'km/h' | '%' | 'min' | 'rpm per km/h';
  /** Null where one of them is not known: it neither allows nor forbids. */
  readonly agrees: boolean | null;
}

/**
 * How far two drives may differ and still be compared (work rule: compare a pair only if outside air, load, speed and
 * heater agree). Working figures: each moves a sound level by about its usual scatter. The start is what the sender says
 * of it: wide enough that a wrong sender, put right, can still be compared, and a hot start cannot.
 */
export const COMPARE_TOLERANCE = { outside: 8, start: 30, load: 0.3, speed: 15, heater: 30, length: 0.5 } as const;

/** What of a drive is compared. */
export interface ComparedDrive {
  readonly series: DriveSeries;
  readonly smooth: Smoothed;
  readonly phases: DrivePhases;
  readonly outside_c: number | null;
}

function meanOf(values: Float64Array | null, mask: Uint8Array): number | null {
  if (!values) return null;
  let sum = 0;
  let n = 0;
  for (let i = 0; i < values.length; i++) {
    if (mask[i] === 0 || !Number.isFinite(values[i]!)) continue;
    sum += values[i]!;
    n++;
  }
  return n > 0 ? sum / n : null;
}

/** Means of the conditions of a drive while its engine runs. */
function conditionsOf({ series, smooth, phases, outside_c }: ComparedDrive) {
  const n = series.time_s.length;
  const off = within(phases.thermal, ['soak', 'heat-soak', 'engine-off'], n);
  const runs = off.map((v) => 1 - v);
  return {
    outside: outside_c,
    start: smooth.level_c.find(Number.isFinite) ?? null,
    load: meanOf(series.fuel_kw, runs),
    speed: meanOf(series.speed_kmh, runs),
    heater: meanOf(series.heater_pct, runs),
    length: (runs.reduce((a, b) => a + b, 0) * GRID_S) / 60,
  };
}

/** Every condition of two drives side by side. */
export function compareConditions(before: ComparedDrive, after: ComparedDrive): ConditionDifference[] {
  const a = conditionsOf(before);
  const b = conditionsOf(after);
  const t = COMPARE_TOLERANCE;
  const rows = [
    ['outside', '°C', t.outside],
    ['start', '°C', t.start],
    ['load', 'kW', t.load * Math.max(a.load ?? 0, b.load ?? 0)],
    ['speed', 'km/h', t.speed],
    ['heater', '%', t.heater],
    ['length', 'min', t.length * Math.max(a.length, b.length)],
  ] as const;
  const measured = rows.map(([condition, unit, tolerance]): ConditionDifference => {
    const [x, y] = [a[condition], b[condition]];
    return {
      ...{ condition, unit, tolerance, before: x, after: y },
      agrees: x === null || y === null ? null : Math.abs(x - y) <= tolerance,
    };
  });
  // No weather makes another gearbox: with other gears it is another car, and nothing of the two is compared.
  const gearing = gearingMatch(before.series, after.series);
  return [...measured, { condition: 'gearing', unit: 'rpm per km/h', ...gearing }];
}

/** What two drives are laid over each other by. */
export const ALIGNMENTS = ['start', 'temperature', 'opening', 'heat'] as const;
/** One of them. */
export type DriveAlignment = (typeof ALIGNMENTS)[number];

/** Temperature from which drives are laid over each other, °C. */
export const ALIGNED_FROM_C = 40;

/**
 * The abscissa of a drive for laying it over another: seconds from the aligned moment, or MJ of fuel put in. Null where
 * the drive does not have it.
 *
 * @param opens_s when its thermostat opens; null when that is not told
 */
export function alignedAbscissa(
  { series, smooth }: Pick<ComparedDrive, 'series' | 'smooth'>,
  by: DriveAlignment,
  opens_s: number | null,
): Float64Array | null {
  const since = (at_s: number | null) => (at_s === null ? null : series.time_s.map((t) => t - at_s));
  switch (by) {
    case 'start':
      return series.time_s;
    case 'temperature': {
      const at = smooth.level_c.findIndex((v) => v >= ALIGNED_FROM_C);
      return since(at > 0 ? at * GRID_S : null);
    }
    case 'opening':
      return since(opens_s);
    case 'heat': {
      if (!series.fuel_kw) return null;
      let sum = 0;
      return series.fuel_kw.map((kw) => (sum += (kw * GRID_S) / 1000));
    }
  }
}
