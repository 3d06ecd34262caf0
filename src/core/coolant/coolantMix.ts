import { celsiusToKelvin, KELVIN_AT_0_C } from '../base';
import { BOILING_C, FREEZING_C, GLYCOL_VOLUME_PCT } from './glycolTable';

/** Standard atmosphere, kPa. */
export const STANDARD_ATMOSPHERE_KPA = 101.325;

function inTable(x: number, xs: readonly number[], ys: readonly number[]): number {
  if (x <= xs[0]!) return ys[0]!;
  for (let i = 1; i < xs.length; i++) {
    if (x <= xs[i]!) return ys[i - 1]! + ((ys[i]! - ys[i - 1]!) * (x - xs[i - 1]!)) / (xs[i]! - xs[i - 1]!);
  }
  return ys[ys.length - 1]!;
}

/** Freezing point of an ethylene glycol mix, °C, from its share by volume, %. */
export const freezing_c = (glycol_pct: number): number => inTable(glycol_pct, GLYCOL_VOLUME_PCT, FREEZING_C);

/** Share at which a mix protects best, %; above it, and clearly above 68 %, it freezes sooner again. Source: the same table. */
export const BEST_PROTECTION_PCT = 57.8;

/** Strongest mix of the table, %. */
const STRONGEST_PCT = 95;

/**
 * Ethylene glycol by volume, %, whose mix freezes at a temperature; the ends hold. Every freezing point but the lowest
 * belongs to two mixes.
 *
 * @param side of the lowest freezing point on which to look
 */
export function glycolForFreezing_pct(freeze_c: number, side: 'usual' | 'too-strong' = 'usual'): number {
  let weak = side === 'usual' ? 0 : STRONGEST_PCT;
  let best: number = BEST_PROTECTION_PCT;
  for (let i = 0; i < 40; i++) {
    const middle = (weak + best) / 2;
    if (freezing_c(middle) > freeze_c) weak = middle;
    else best = middle;
  }
  return (weak + best) / 2;
}

/**
 * Saturation pressure of water, kPa, at a temperature in °C, 0...370.
 * Source: IAPWS-IF97, region 4, equation 30.
 * @example saturationPressure_kpa(100).toFixed(1) // => '101.4'
 */
export function saturationPressure_kpa(temp_c: number): number {
  const n = [
    0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
    0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
  ] as const;
  const t = celsiusToKelvin(temp_c);
  const theta = t + n[8] / (t - n[9]);
  const a = theta * theta + n[0] * theta + n[1];
  const b = n[2] * theta * theta + n[3] * theta + n[4];
  const c = n[5] * theta * theta + n[6] * theta + n[7];
  return 1000 * ((2 * c) / (-b + Math.sqrt(b * b - 4 * a * c))) ** 4;
}

/** Saturation temperature of water, °C, at a pressure in kPa. Source: IAPWS-IF97, region 4, equation 31. */
export function saturationTemperature_c(pressure_kpa: number): number {
  const n = [
    0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
    0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
  ] as const;
  const beta = (pressure_kpa / 1000) ** 0.25;
  const e = beta * beta + n[2] * beta + n[5];
  const f = n[0] * beta * beta + n[3] * beta + n[6];
  const g = n[1] * beta * beta + n[4] * beta + n[7];
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  return (n[9] + d - Math.sqrt((n[9] + d) ** 2 - 4 * (n[8] + n[9] * d))) / 2 - KELVIN_AT_0_C;
}

/** Ambient pressure at an altitude in metres, kPa. Source: ISA (ISO 2533). */
export const ambientPressure_kpa = (altitude_m: number): number =>
  STANDARD_ATMOSPHERE_KPA * (1 - 2.25577e-5 * altitude_m) ** 5.25588;

/**
 * Boiling point of the coolant under its cap, °C. The mix lowers the vapour pressure by its water activity, taken
 * from its boiling point at one atmosphere.
 *
 * @param glycol_pct ethylene glycol by volume, %
 * @param cap_kpa pressure the cap holds above ambient, kPa (0: dead cap)
 * @param altitude_m height above sea level, m
 * @example boilingUnderCap_c(47.6, 103, 0).toFixed(0) // => '129'
 */
export function boilingUnderCap_c(glycol_pct: number, cap_kpa: number, altitude_m = 0): number {
  const activity = STANDARD_ATMOSPHERE_KPA / saturationPressure_kpa(inTable(glycol_pct, GLYCOL_VOLUME_PCT, BOILING_C));
  return saturationTemperature_c((ambientPressure_kpa(altitude_m) + cap_kpa) / activity);
}

/**
 * Heat capacity of the mix by volume near 80 °C, kJ/(l·K): straight line between water (4.20 × 0.97) and half glycol
 * (3.6 × 1.03). Source: ASHRAE Fundamentals, rounded.
 */
export const volumetricHeat_kj_lk = (glycol_pct: number): number => 4.07 + ((3.6 * 1.03 - 4.07) * glycol_pct) / 50;
