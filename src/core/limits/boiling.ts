import type { Vehicle } from '../base';
import { ambientPressure_kpa, boils_c as boilsAt_c, type Glycol } from '../coolant';

/** What decides where this car's coolant boils today. */
export interface CoolantState {
  readonly glycol: Glycol;
  readonly glycol_pct: number;
  /** Pressure at which the cap releases, as measured, kPa; null while nobody measured it. */
  readonly releases_kpa: number | null;
  /** It releases well below its rating. */
  readonly capWeak: boolean;
  /** Highest place of the drive, m above the sea. */
  readonly altitude_m: number;
}

/** The coolant of a car on which nothing was measured. */
export const unmeasured = (vehicle: Vehicle, altitude_m = 0): CoolantState => ({
  // The vehicle file does not say which glycol: most cars have ethylene glycol.
  glycol: 'ethylene',
  glycol_pct: vehicle.coolant.glycol_pct,
  releases_kpa: null,
  capWeak: false,
  altitude_m,
});

/**
 * Distance to boiling that a stop limit keeps, K: a gauge lags and metal is hotter than its coolant. Where the cap counts
 * as dead that is safety enough already, and less is kept.
 */
const MARGIN_K = { measured: 8, dead: 3 } as const;

/** Where coolant boils, and the highest limit at which a drive may be stopped. */
export interface Boiling {
  readonly boils_c: number;
  readonly highestLimit_c: number;
  /** What the cap counts as: as measured, or as dead because it is weak or nobody measured it. */
  readonly cap: 'measured' | 'weak' | 'not-measured';
}

/** Boiling of a car as it stands: a cap that is weak, or that nobody measured, holds nothing. */
export function boilingOf({ glycol, glycol_pct, releases_kpa, capWeak, altitude_m }: CoolantState): Boiling {
  const cap = releases_kpa === null ? 'not-measured' : capWeak ? 'weak' : 'measured';
  const holds_kpa = cap === 'measured' ? releases_kpa! : 0;
  const boils_c = boilsAt_c({ glycol, glycol_pct, cap_kpa: holds_kpa, ambient_kpa: ambientPressure_kpa(altitude_m) });
  const margin = cap === 'measured' ? MARGIN_K.measured : MARGIN_K.dead;
  return { boils_c, cap, highestLimit_c: Math.floor(boils_c - margin) };
}

/** A drive is stopped this far above where the fan must run at the latest, K. */
const ABOVE_FAN_K = 12;

/** Temperature at which a drive is stopped, °C: short of boiling, and not far above where the fan must run. */
export function stopLimit_c(vehicle: Vehicle, state: CoolantState): number {
  const fan = vehicle.fan.on_c ?? vehicle.thermostat.rated_c + 10;
  return Math.min(boilingOf(state).highestLimit_c, Math.round(fan + ABOVE_FAN_K));
}

/** Why a limit lies where it does, in words. */
export const BOILING_WORDS: Readonly<Record<Boiling['cap'], string>> = {
  measured: 'with the cap as measured',
  weak: 'the cap is weak and counts as none',
  'not-measured': 'the cap was not measured and counts as none',
};
