import { KELVIN_AT_0_C, celsiusToKelvin } from '../base';
import { cubicAt, monotoneCubic, type MonotoneCubic } from '../signal';
import { GLYCOL_TABLES, type Glycol } from './glycolTable';

/** Standard atmosphere, kPa. */
export const STANDARD_ATMOSPHERE_KPA = 101.325;

const curves = (of: 'freezing_c' | 'boiling_c'): Readonly<Record<Glycol, MonotoneCubic>> => ({
  ethylene: monotoneCubic(GLYCOL_TABLES.ethylene.volume_pct, GLYCOL_TABLES.ethylene[of]),
  propylene: monotoneCubic(GLYCOL_TABLES.propylene.volume_pct, GLYCOL_TABLES.propylene[of]),
});
const FREEZING = curves('freezing_c');
const BOILING = curves('boiling_c');

/** Freezing point of a mix, °C, from its glycol by volume, %; the table's figure at each of its points. */
export const freezing_c = (glycol_pct: number, glycol: Glycol = 'ethylene'): number =>
  cubicAt(FREEZING[glycol], glycol_pct);

/** Boiling point of a mix at one atmosphere, °C. */
export const boiling_c = (glycol_pct: number, glycol: Glycol = 'ethylene'): number =>
  cubicAt(BOILING[glycol], glycol_pct);

/** Share of ethylene glycol at which a mix protects best, %; above it, it freezes sooner again. Source: the table. */
export const BEST_PROTECTION_PCT = GLYCOL_TABLES.ethylene.best_pct;

/**
 * Glycol by volume, %, whose mix freezes at a temperature; the ends hold. Every freezing point but the lowest belongs to
 * two mixes of ethylene glycol.
 *
 * @param side of the lowest freezing point on which to look
 */
export function glycolForFreezing_pct(
  freeze_c: number,
  side: 'usual' | 'too-strong' = 'usual',
  glycol: Glycol = 'ethylene',
): number {
  let far = side === 'usual' ? 0 : 100;
  let best: number = GLYCOL_TABLES[glycol].best_pct;
  for (let i = 0; i < 40; i++) {
    const middle = (far + best) / 2;
    if (freezing_c(middle, glycol) > freeze_c) far = middle;
    else best = middle;
  }
  return (far + best) / 2;
}

/** Glycol by volume, %, whose mix boils at a temperature at one atmosphere; the ends hold. */
export function glycolForBoiling_pct(boil_c: number, glycol: Glycol = 'ethylene'): number {
  let weak = 0;
  let strong = 100;
  for (let i = 0; i < 40; i++) {
    const middle = (weak + strong) / 2;
    if (boiling_c(middle, glycol) < boil_c) weak = middle;
    else strong = middle;
  }
  return (weak + strong) / 2;
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

/** What decides where a mix boils. */
export interface UnderCap {
  readonly glycol: Glycol;
  /** Glycol by volume, %. */
  readonly glycol_pct: number;
  /** Pressure the cap holds above ambient, kPa (0: dead cap). */
  readonly cap_kpa: number;
  readonly ambient_kpa: number;
}

/**
 * Boiling point of the coolant under its cap, °C. The mix lowers the vapour pressure by its water activity, taken from
 * its boiling point at one atmosphere.
 */
export function boils_c({ glycol, glycol_pct, cap_kpa, ambient_kpa }: UnderCap): number {
  const activity = STANDARD_ATMOSPHERE_KPA / saturationPressure_kpa(boiling_c(glycol_pct, glycol));
  return saturationTemperature_c((ambient_kpa + cap_kpa) / activity);
}

/**
 * Boiling point of ethylene glycol in water under its cap, °C.
 *
 * @param glycol_pct ethylene glycol by volume, %
 * @param cap_kpa pressure the cap holds above ambient, kPa (0: dead cap)
 * @param altitude_m height above sea level, m
 * @example boilingUnderCap_c(47.6, 103, 0).toFixed(0) // => '129'
 */
export const boilingUnderCap_c = (glycol_pct: number, cap_kpa: number, altitude_m = 0): number =>
  boils_c({ glycol: 'ethylene', glycol_pct, cap_kpa, ambient_kpa: ambientPressure_kpa(altitude_m) });

/**
 * Pressure that the cap must hold above ambient for the mix to boil at a temperature, kPa; 0 where none is needed.
 */
export function capFor_kpa(boils_at_c: number, { glycol, glycol_pct, ambient_kpa }: Omit<UnderCap, 'cap_kpa'>): number {
  const activity = STANDARD_ATMOSPHERE_KPA / saturationPressure_kpa(boiling_c(glycol_pct, glycol));
  return Math.max(0, saturationPressure_kpa(boils_at_c) * activity - ambient_kpa);
}

/**
 * Heat capacity of the mix by volume near 80 °C, kJ/(l·K): straight line between water (4.20 × 0.97) and half glycol
 * (3.6 × 1.03). Source: ASHRAE Fundamentals, rounded.
 */
export const volumetricHeat_kj_lk = (glycol_pct: number): number => 4.07 + ((3.6 * 1.03 - 4.07) * glycol_pct) / 50;
