import { glycolForFreezing_pct, freezing_c, volumetricHeat_kj_lk } from './coolantMix';
import type { Glycol } from './glycolTable';

/**
 * Volume of a mix at 100 °C over that at 20 °C, less one, by glycol share. Water from its density (998.2 and 958.4 kg/m³,
 * IAPWS-95); half glycol 1.067 to 1.013 (ethylene) and 1.042 to 0.983 kg/l (propylene), ASHRAE Fundamentals, rounded.
 */
const EXPANSION_20_TO_100: Readonly<Record<Glycol, number>> = { ethylene: 0.053, propylene: 0.06 };
const WATER_EXPANSION_20_TO_100 = 0.0415;

/**
 * Share by which the coolant grows from one temperature to another: straight between 20 and 100 °C and between water and
 * half glycol, which is enough for a level.
 *
 * @example expansion('ethylene', 50, { from_c: 20, to_c: 100 }).toFixed(3) // => '0.053'
 */
export function expansion(
  glycol: Glycol,
  glycol_pct: number,
  { from_c, to_c }: { readonly from_c: number; readonly to_c: number },
): number {
  const whole =
    WATER_EXPANSION_20_TO_100 + ((EXPANSION_20_TO_100[glycol] - WATER_EXPANSION_20_TO_100) * glycol_pct) / 50;
  return (whole * (to_c - from_c)) / 80;
}

/** Heat that a litre carries per kelvin near 80 °C, against water's. Propylene glycol: 3.75 kJ/(kg·K) × 0.999 kg/l at half. */
export function heatAgainstWater(glycol: Glycol, glycol_pct: number): number {
  const water = volumetricHeat_kj_lk(0);
  const half = glycol === 'ethylene' ? volumetricHeat_kj_lk(50) : 3.75 * 0.999;
  return 1 + ((half / water - 1) * glycol_pct) / 50;
}

/**
 * Refractive index at 20 °C at 0, 50 and 100 % by volume. Sources: CRC Handbook of Chemistry and Physics, concentrative
 * properties of aqueous solutions (52.6 and 50.9 % by mass), and of the pure glycols; rounded: good to about 1 % of share.
 */
const INDEX: Readonly<Record<Glycol, readonly [number, number, number]>> = {
  ethylene: [1.333, 1.3855, 1.4318],
  propylene: [1.333, 1.3905, 1.4324],
};

/** Refractive index of a mix at 20 °C: the parabola through three known shares. */
export function refractiveIndex(glycol: Glycol, glycol_pct: number): number {
  const [n0, n50, n100] = INDEX[glycol];
  const x = glycol_pct / 50;
  return n0 + (n50 - n0) * x + ((n100 - 2 * n50 + n0) / 2) * x * (x - 1);
}

/** Share of a glycol with a refractive index, % by volume; the ends hold. */
export function shareOfIndex_pct(glycol: Glycol, index: number): number {
  let low = 0;
  let high = 100;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (refractiveIndex(glycol, middle) < index) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** What a refractometer shows, and what is in the car. */
export interface RefractometerReading {
  /** Freezing point as it stands on the scale, °C. */
  readonly reads_c: number;
  /** Glycol that the scale is made for. */
  readonly scale: Glycol;
  /** Glycol in the car. */
  readonly glycol: Glycol;
}

/**
 * Share and freezing point of what is in the car. A scale for the other glycol is turned round by refractive index: read
 * as it stands it promises more or less protection than there is.
 */
export function readRefractometer({ reads_c, scale, glycol }: RefractometerReading): {
  readonly glycol_pct: number;
  readonly freezes_c: number;
} {
  const onScale_pct = glycolForFreezing_pct(reads_c, 'usual', scale);
  const glycol_pct = scale === glycol ? onScale_pct : shareOfIndex_pct(glycol, refractiveIndex(scale, onScale_pct));
  return { glycol_pct, freezes_c: scale === glycol ? reads_c : freezing_c(glycol_pct, glycol) };
}

/** Water that a waterless coolant may hold, %. Source: suppliers' usual limit; a shop overwrites it by the label. */
export const WATERLESS_LIMIT_PCT = 3;

/**
 * Fills with a water-free fluid until little enough of the old is left: each swaps the part that drains.
 *
 * @param drained share of the filling that runs out at each drain, above 0 and below 1
 * @param limit_pct old coolant allowed, %, above 0
 */
export function fillsToLimit(
  drained: number,
  limit_pct: number,
): { readonly fills: number; readonly left_pct: number } {
  const fills = Math.max(1, Math.ceil(Math.log(limit_pct / 100) / Math.log(1 - drained) - 1e-9));
  return { fills, left_pct: 100 * (1 - drained) ** fills };
}
