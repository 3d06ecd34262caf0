import type { WaterReading } from './reading';

/** A heated-water test of a thermostat. */
export interface ThermostatTest {
  /** Opening temperature stamped on it, °C. */
  readonly rated_c: number;
  readonly fullOpen_c: number | null;
  readonly readings: readonly WaterReading[];
  /** Standard uncertainty of the thermometer, K. */
  readonly thermometerSd_k: number;
  readonly altitude_m: number;
  /** Light seen through the cold seat, the vent apart; null: not looked. */
  readonly lightWhenCold: boolean | null;
}

/** What a test can say of a thermostat. */
export const THERMOSTAT_VERDICTS = [
  'good',
  'opens-early',
  'opens-late',
  'stuck-open',
  'stuck-closed',
  'leaks',
  'cannot-tell',
] as const;
export type ThermostatVerdict = (typeof THERMOSTAT_VERDICTS)[number];

/** A figure with its standard uncertainty. */
export interface Figure {
  readonly value: number;
  readonly sd: number;
}

/** What a test found. */
export interface ThermostatFinding {
  readonly opens_c: Figure | null;
  readonly full_c: Figure | null;
  /** Fully shut again while cooling. */
  readonly closes_c: Figure | null;
  readonly hysteresis_k: Figure | null;
  readonly lift_mm: Figure | null;
  readonly verdict: ThermostatVerdict;
  readonly probability: number;
  readonly reason: string;
  /** Every verdict's probability, before one is named. */
  readonly odds: Readonly<Record<Exclude<ThermostatVerdict, 'cannot-tell'>, number>>;
  /** How fast the water was heated at first movement, K a minute; null where nothing moved. */
  readonly heating_kpmin: number | null;
  /** Boiling point of water in an open pot at this height, °C. */
  readonly boils_c: number;
}

/** Thermometer of the usual kind, K. */
export const USUAL_THERMOMETER_SD_K = 1;
