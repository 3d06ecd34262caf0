import type { PlantBody } from './body';
import { HOME_WORLD } from './worlds/world';

/** What the engine does at one instant. */
export interface EnginePoint {
  readonly rpm: number;
  readonly fuel_kw: number;
  readonly load_pct: number;
  readonly maf_gps: number;
  /** Friction heat that ends in oil and block, kW. */
  readonly friction_kw: number;
}

/** Gear ratios relative to top gear. */
const GEARS = [4.4, 2.5, 1.65, 1.22, 1] as const;
const GRAVITY_MPS2 = 9.81;
const AIR_KG_M3 = 1.2;
/** Lower heating value of the fuel, kJ/g (Heywood, table D.4). */
const HEATING_VALUE_KJ_G = { petrol: 43.5, diesel: 42.8 } as const;

function engineSpeed(body: PlantBody, speed_mps: number, demand_kw: number, hold_rpm: number): number {
  const { idle_rpm, fuel } = body.vehicle.engine;
  if (speed_mps < 1.2) return Math.max(idle_rpm, hold_rpm);
  const low = (fuel === 'diesel' ? 1300 : 1500) + 22 * Math.max(0, demand_kw);
  const top = body.topGearRpmPerKmh * body.world.gearing * speed_mps * 3.6;
  let rpm = top * GEARS[0];
  for (const ratio of GEARS) if (top * ratio >= Math.min(low, 4200)) rpm = top * ratio;
  return Math.min(5500, Math.max(idle_rpm, rpm));
}

/**
 * Engine speed, fuel, air and friction for a road demand (Willans line: fuel power is friction plus brake power over
 * an indicated efficiency; Heywood ch. 13 and 15).
 */
export function enginePoint(
  body: PlantBody,
  road: { speed_mps: number; acceleration_mps2: number; grade: number; towed_kg: number; hold_rpm: number },
  temps: { oil_c: number; coolant_c: number; reading_c: number },
): EnginePoint {
  const { engine } = body.vehicle;
  const v = road.speed_mps;
  const mass = engine.kerb_mass_kg + 120 + road.towed_kg;
  const drag = body.drag_m2 * (road.towed_kg > 0 ? 1.9 : 1);
  const force =
    mass * (road.acceleration_mps2 * 1.06 + GRAVITY_MPS2 * (v > 0.3 ? body.rolling + road.grade : 0)) +
    0.5 * AIR_KG_M3 * drag * v * v;
  const wheel_kw = (force * v) / 1000;
  const brake_kw = wheel_kw > 0 ? wheel_kw / 0.91 + body.accessories_kw : body.accessories_kw;
  const hotEnough_c = body.world.name === HOME_WORLD.name ? temps.coolant_c : temps.reading_c;
  if (engine.hybrid && wheel_kw < 7 && v < 17 && road.hold_rpm === 0 && hotEnough_c > body.world.stopsFrom_c) {
    return { rpm: 0, fuel_kw: 0, load_pct: 0, maf_gps: 0, friction_kw: 0 };
  }
  // A cold reading raises the idle speed: the control unit knows nothing else.
  const raised = 1 + (body.world.coldIdle * Math.min(80, Math.max(0, 70 - temps.reading_c))) / 80;
  const hold_rpm = v < 1.2 && !engine.hybrid ? Math.max(road.hold_rpm, raised * engine.idle_rpm) : road.hold_rpm;
  const rpm = engineSpeed(body, v, brake_kw, hold_rpm);
  const coldness = Math.max(0, (90 - temps.oil_c) / 100);
  const friction_kw =
    (body.friction_kpa * engine.displacement_l * rpm * (1 + body.coldFriction * coldness ** 1.6)) / 120000;
  const overrun = wheel_kw < -0.8 && rpm > engine.idle_rpm * 1.5;
  const diesel = engine.fuel === 'diesel';
  const enrichment = diesel ? 1 : 1 + 0.18 * Math.max(0, (60 - temps.coolant_c) / 80);
  const fuel_kw = overrun ? 0 : ((friction_kw + brake_kw) / body.efficiency) * enrichment;
  const fuel_gps = fuel_kw / HEATING_VALUE_KJ_G[engine.fuel];
  const full_gps = ((engine.displacement_l * rpm) / 120) * AIR_KG_M3 * (diesel ? 1.55 : 0.95);
  const throttled_gps = overrun ? 0.15 * full_gps : (fuel_gps * 14.7) / enrichment ** 0.9;
  const maf_gps = diesel
    ? Math.min(full_gps, Math.max(full_gps * 0.55, fuel_gps * 20))
    : Math.min(full_gps, throttled_gps);
  const fullFuel_gps = diesel ? full_gps / 19 : full_gps / 14.7;
  const load_pct = Math.min(100, 100 * (diesel ? fuel_gps / fullFuel_gps : maf_gps / full_gps));
  return { rpm, fuel_kw, load_pct, maf_gps, friction_kw };
}
