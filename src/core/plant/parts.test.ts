import { describe, expect, it } from 'vitest';
import { COMMON_SENDER } from '../sender';
import { startingVehicle } from '../planning';
import { drawBody } from './body';
import { DRIVE_STEP_S, drivePhases, type PhaseKind } from './drive';
import { drawFault, NO_FAULT } from './fault';
import { logRun } from './logger';
import { enginePoint } from './powertrain';
import { seededRandom } from './random';
import { drawVehicle } from './randomVehicle';
import { controlUnitReading_c } from './senderChain';
import type { PlantRun } from './simulate';

const petrol = drawBody(startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }), seededRandom(1), 0);
const hybrid = drawBody(startingVehicle({ fuel: 'petrol', displacement_l: 1.8, hybrid: true }), seededRandom(1), 0);
const ROAD = { speed_mps: 0, acceleration_mps2: 0, grade: 0, towed_kg: 0, hold_rpm: 0 };
const WARM = { oil_c: 90, coolant_c: 88, reading_c: 88 };

describe('powertrain', () => {
  it('idles at idle speed on a few kilowatts of fuel', () => {
    const idle = enginePoint(petrol, ROAD, WARM);
    expect(idle.rpm).toBe(750);
    expect(idle.fuel_kw).toBeGreaterThan(3);
    expect(idle.fuel_kw).toBeLessThan(10);
    expect(idle.load_pct).toBeLessThan(45);
  });

  it('needs more fuel cold, uphill, towing and fast', () => {
    const fuel = (road: Partial<typeof ROAD>, temps = WARM) => enginePoint(petrol, { ...ROAD, ...road }, temps).fuel_kw;
    expect(fuel({}, { oil_c: -10, coolant_c: -10, reading_c: -10 })).toBeGreaterThan(1.5 * fuel({}));
    expect(fuel({ speed_mps: 15, grade: 0.06 })).toBeGreaterThan(fuel({ speed_mps: 15 }) + 15);
    expect(fuel({ speed_mps: 20, towed_kg: 1200 })).toBeGreaterThan(fuel({ speed_mps: 20 }));
    expect(fuel({ speed_mps: 33 })).toBeGreaterThan(1.5 * fuel({ speed_mps: 20 }));
  });

  it('cuts fuel on the overrun and holds a speed at standstill', () => {
    expect(enginePoint(petrol, { ...ROAD, speed_mps: 20, acceleration_mps2: -1 }, WARM).fuel_kw).toBe(0);
    expect(enginePoint(petrol, { ...ROAD, hold_rpm: 2500 }, WARM).rpm).toBe(2500);
  });

  it('a warm hybrid stops its engine in town, a cold one runs it', () => {
    expect(enginePoint(hybrid, { ...ROAD, speed_mps: 8 }, WARM).rpm).toBe(0);
    expect(
      enginePoint(hybrid, { ...ROAD, speed_mps: 8 }, { oil_c: 5, coolant_c: 5, reading_c: 5 }).rpm,
    ).toBeGreaterThan(600);
  });
});

describe('drive', () => {
  it.each<[PhaseKind, number, number]>([
    ['idle', 0, 0],
    ['town', 0, 52],
    ['road', 0, 90],
    ['motorway', 0, 128],
  ])('%s stays between %d and %d km/h', (kind, low, high) => {
    const { speed_mps } = drivePhases([{ kind, duration_s: 600 }], 0, seededRandom(3));
    expect(speed_mps.length).toBe(600 / DRIVE_STEP_S);
    for (const v of speed_mps) expect(v * 3.6 >= low - 1e-9 && v * 3.6 <= high + 1e-9).toBe(true);
  });

  it('changes speed no faster than cars do and keeps the heater of each phase', () => {
    const demand = drivePhases(
      [
        { kind: 'motorway', duration_s: 300, heater_pct: 20 },
        { kind: 'idle', duration_s: 100, heater_pct: 80 },
      ],
      0,
      seededRandom(4),
    );
    for (let k = 1; k < demand.speed_mps.length; k++) {
      expect(Math.abs(demand.speed_mps[k]! - demand.speed_mps[k - 1]!)).toBeLessThanOrEqual(2 * DRIVE_STEP_S);
    }
    expect([demand.heater_pct[0], demand.heater_pct.at(-1)]).toEqual([20, 80]);
  });
});

describe('logger', () => {
  const ramp = Float64Array.from({ length: 600 }, (_, i) => 20 + i * 0.1037);
  const run = {
    time_s: Float64Array.from(ramp, (_, i) => i),
    ect_c: ramp,
    rpm: ramp.map((v) => 20 * v),
  } as unknown as PlantRun;

  it('rounds as the bus does and loses what it loses', () => {
    const settings = { channels: ['ect_c', 'rpm'] as const, period_s: 0.5, jitter: 0.1, lost: 0.2, polled: false };
    const { time_s, channels } = logRun(run, settings, seededRandom(2));
    time_s.forEach((t, i) => i > 0 && expect(t).toBeGreaterThan(time_s[i - 1]!));
    const kept = channels.ect_c.filter(Number.isFinite);
    expect(kept.every(Number.isInteger)).toBe(true);
    expect(kept.length / channels.ect_c.length).toBeCloseTo(0.8, 1);
    expect(channels.rpm!.filter(Number.isFinite).every((v) => Number.isInteger(v * 4))).toBe(true);
  });

  it('a polling logger writes one channel per row', () => {
    const settings = { channels: ['ect_c', 'rpm'] as const, period_s: 1, jitter: 0, lost: 0, polled: true };
    const { channels } = logRun(run, settings, seededRandom(2));
    channels.ect_c.forEach((v, i) => expect(Number.isFinite(v)).toBe(i % 2 === 0));
    channels.rpm!.forEach((v, i) => expect(Number.isFinite(v)).toBe(i % 2 === 1));
  });
});

describe('sender chain', () => {
  const clean = { series_ohm: 0, parallel_ohm: Infinity, offset_k: 0, drift: 0, gain: 1, rest_c: 0 };

  it('reads the temperature to within the converter’s steps', () => {
    for (const t of [-30, 0, 40, 88]) expect(controlUnitReading_c(t, clean)).toBeCloseTo(t, 0);
    expect(COMMON_SENDER.pullUp_ohm).toBe(2000);
  });

  it('series resistance reads low when hot, leakage high when cold, an offset always', () => {
    expect(controlUnitReading_c(90, { ...clean, series_ohm: 100 })).toBeLessThan(82);
    expect(controlUnitReading_c(0, { ...clean, series_ohm: 100 })).toBeGreaterThan(-2);
    expect(controlUnitReading_c(0, { ...clean, parallel_ohm: 2500 })).toBeGreaterThan(10);
    expect(controlUnitReading_c(50, { ...clean, offset_k: -12 })).toBeCloseTo(38, 0);
  });
});

describe('draws', () => {
  it('vehicles have figures that vehicles have', () => {
    const random = seededRandom(8);
    for (let i = 0; i < 60; i++) {
      const v = drawVehicle(random);
      expect(v.engine.displacement_l).toBeGreaterThan(0.8);
      expect(v.thermostat.rated_c).toBeGreaterThan(79);
      expect(v.thermostat.heated).toBe(v.thermostat.heated_rated_c !== null);
      expect(v.fan.off_c === null || v.fan.off_c < v.fan.on_c!).toBe(true);
    }
  });

  it('faults stay within the meaning of their names', () => {
    const random = seededRandom(9);
    const vehicle = drawVehicle(random, true);
    for (let i = 0; i < 40; i++) {
      const leak = drawFault('thermostat-leaking', random, vehicle).leakFraction;
      expect(leak >= 0.03 && leak <= 0.3).toBe(true);
      expect(drawFault('thermostat-stuck-open', random, vehicle).leakFraction).toBeGreaterThanOrEqual(0.3);
      expect(drawFault('thermostat-opens-early', random, vehicle).openingShift_k).toBeLessThanOrEqual(-8);
      expect(drawFault('thermostat-heating-fault', random, vehicle).heatingElement).not.toBe('works');
    }
    expect(drawFault('insufficient-heat', random, vehicle)).toEqual({ ...NO_FAULT, cause: 'insufficient-heat' });
  });
});
