import type { Vehicle } from '../base';

/** How fuel power was estimated, best first. */
export type HeatSource = 'air-flow' | 'load' | 'road-load' | 'engine-speed' | 'unknown';

/** Inputs of one instant; NaN where a channel was not logged. */
export interface EngineSignals {
  readonly rpm: number;
  readonly speed_mps: number;
  readonly acceleration_mps2: number;
  readonly load_pct: number;
  readonly maf_gps: number;
}

/** Speeds that inputs are relative to: road speed 100 km/h, m/s, and engine speed, rpm. */
export const REFERENCE_MPS = 27.8;
export const REFERENCE_RPM = 2500;

/** Fuel power to which others are compared: 15 kW per litre of displacement, kW. */
export const referenceFuel_kw = (vehicle: Vehicle): number => 15 * vehicle.engine.displacement_l;

/** Lower heating value, kJ/g, and air needed per fuel at full burn, g/g (Heywood, table D.4). */
const FUEL = { petrol: { heating: 43.5, air: 14.7 }, diesel: { heating: 42.8, air: 14.5 } } as const;
const AIR_KG_M3 = 1.2;

/** Fuel power at full load, kW, at an engine speed: air the cylinders take (boosted for a diesel) over the mixture. */
function fullLoadFuel_kw(vehicle: Vehicle, rpm: number): number {
  const { fuel, displacement_l } = vehicle.engine;
  const diesel = fuel === 'diesel';
  const air_gps = ((displacement_l * rpm) / 120) * AIR_KG_M3 * (diesel ? 1.5 : 0.95);
  return (air_gps / (diesel ? 19 : FUEL.petrol.air)) * FUEL[fuel].heating;
}

/** Engine speed guessed from road speed: a gearbox kept near 1900 (petrol) or 1600 rpm (diesel). */
export function guessRpm(vehicle: Vehicle, speed_mps: number): number {
  if (speed_mps < 1.5) return vehicle.engine.idle_rpm;
  const diesel = vehicle.engine.fuel === 'diesel';
  return Math.max(diesel ? 1500 : 1750, speed_mps * 3.6 * (diesel ? 20.5 : 25));
}

/**
 * Fuel power from a Willans line: friction and road load over an indicated efficiency (Heywood ch. 13 and 15).
 * A rough figure: its prior is wide.
 */
export function roadLoadFuel_kw(vehicle: Vehicle, s: EngineSignals): number {
  const { engine } = vehicle;
  const diesel = engine.fuel === 'diesel';
  const v = Number.isFinite(s.speed_mps) ? s.speed_mps : 0;
  const rpm = Number.isFinite(s.rpm) ? s.rpm : guessRpm(vehicle, v);
  if (rpm < 200) return 0;
  const a = Number.isFinite(s.acceleration_mps2) ? s.acceleration_mps2 : 0;
  const force =
    (engine.kerb_mass_kg + 120) * (1.05 * a + (v > 0.3 ? 9.81 * 0.012 : 0)) +
    0.6 * 0.68 * Math.sqrt(engine.kerb_mass_kg / 1400) * v * v;
  const wheel_kw = (force * v) / 1000;
  const friction_kw = ((diesel ? 185 : 235) * engine.displacement_l * rpm) / 120000;
  if (wheel_kw < -1 && rpm > 1.5 * engine.idle_rpm) return 0.1 * friction_kw;
  return (friction_kw + 0.7 + Math.max(0, wheel_kw) / 0.91) / (diesel ? 0.425 : 0.375);
}

/** Fuel power from engine speed alone: light road load that grows with engine speed. */
function engineSpeedFuel_kw(vehicle: Vehicle, rpm: number): number {
  if (rpm < 200) return 0;
  const { engine } = vehicle;
  const excess = Math.max(0, rpm / engine.idle_rpm - 1.15);
  const idle_kw = (0.7 + (230 * engine.displacement_l * engine.idle_rpm) / 120000) / 0.38;
  return idle_kw * (1 + 2.2 * excess);
}

/**
 * Best estimate of fuel power, kW, from what was logged at one instant.
 *
 * @param source channel to lean on, see {@link HeatSource}
 * @returns kW; NaN for `unknown`
 */
export function fuelPower_kw(vehicle: Vehicle, source: HeatSource, s: EngineSignals): number {
  const { fuel } = vehicle.engine;
  if (source === 'unknown') return NaN;
  if (source === 'engine-speed') return engineSpeedFuel_kw(vehicle, s.rpm);
  if (source === 'road-load') return roadLoadFuel_kw(vehicle, s);
  const rpm = Number.isFinite(s.rpm) ? s.rpm : guessRpm(vehicle, Number.isFinite(s.speed_mps) ? s.speed_mps : 10);
  if (source === 'air-flow') {
    if (!Number.isFinite(s.maf_gps)) return NaN;
    if (fuel === 'petrol') return (s.maf_gps / FUEL.petrol.air) * FUEL.petrol.heating;
  }
  return (Math.min(100, s.load_pct) / 100) * fullLoadFuel_kw(vehicle, rpm);
}
