import type { Vehicle } from '../../base';
import type { DriveSeries, Smoothed } from '../driveSeries';
import type { DrivePhases } from '../phases';
import type { Bend } from './bend';

/** A figure that could be told: value with standard uncertainty, and the stretch of the drive that it was read from. */
export interface Told {
  readonly value: number;
  readonly sd: number;
  readonly from_s: number;
  readonly to_s: number;
  /** 5th and 95th percentile where the figure is a level that was held. */
  readonly band?: readonly [low: number, high: number];
}

/** A figure that could not be told, and why in plain words. */
export interface NotTold {
  readonly why: string;
}

/** A mark set by hand that a figure can be read from. */
export interface DriveMark {
  readonly kind: 'fan-on' | 'fan-off' | 'vent';
  readonly at_s: number;
  /** Reading of the mark, °C; null for one without. */
  readonly value_c: number | null;
}

/** What features are read from. */
export interface FeatureDrive {
  readonly series: DriveSeries;
  readonly smooth: Smoothed;
  readonly phases: DrivePhases;
  readonly vehicle: Vehicle;
  /** Reading under which the slow warm-up code sets, and lowest temperature at which the thermostat opens, °C. */
  readonly threshold_c: number;
  readonly opens_c: number;
  /** Temperature above which a drive must stop, °C. */
  readonly limit_c: number;
  /** Relative uncertainty of the fuel power. */
  readonly fuelSd: number;
  readonly outside_c: number | null;
  readonly bend: { readonly found: Bend | null; readonly why: string };
  readonly marks: readonly DriveMark[];
}

/** A feature: what it is called, its unit, and how it is read. */
export interface FeatureSpec {
  readonly name: string;
  readonly label: string;
  readonly unit: '°C' | 'K' | 'K/min' | 'min' | 's' | 'K/MJ' | 'K per 10 km/h' | '%' | '';
  readonly measure: (drive: FeatureDrive) => Told | NotTold;
}

/** True for a figure that could be told. */
export const isTold = (t: Told | NotTold): t is Told => !('why' in t);

/** Uncertainty of one smoothed reading: rounding averaged over its window, and the sender's own unrest, K. */
export const levelSd_k = ({ rounding_k }: DriveSeries): number => 0.25 + 0.15 * rounding_k;

/** First and last marked second. */
export function reach(mask: Uint8Array): { from: number; to: number; count: number } {
  let from = -1;
  let to = -1;
  let count = 0;
  for (let i = 0; i < mask.length; i++) {
    if (mask[i] === 0) continue;
    if (from < 0) from = i;
    to = i;
    count++;
  }
  return { from, to, count };
}

/** A straight line through samples by least squares: slope per x, its standard error for independent samples, n. */
export function lineThrough(
  x: readonly number[],
  y: readonly number[],
): { readonly slope: number; readonly sd: number; readonly n: number } {
  const n = x.length;
  const mx = x.reduce((a, b) => a + b, 0) / n;
  const my = y.reduce((a, b) => a + b, 0) / n;
  let sxx = 0;
  let sxy = 0;
  for (let i = 0; i < n; i++) {
    sxx += (x[i]! - mx) ** 2;
    sxy += (x[i]! - mx) * (y[i]! - my);
  }
  if (sxx === 0) return { slope: NaN, sd: NaN, n };
  const slope = sxy / sxx;
  let rest = 0;
  for (let i = 0; i < n; i++) rest += (y[i]! - my - slope * (x[i]! - mx)) ** 2;
  return { slope, sd: Math.sqrt(rest / Math.max(1, n - 2) / sxx), n };
}
