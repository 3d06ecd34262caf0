import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../base';
import { startingVehicle } from '../planning';
import {
  drawBody,
  drawScenario,
  drivePhases,
  NO_FAULT,
  seededRandom,
  simulateDrive,
  type Phase,
  type PlantFault,
} from './index';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const body = drawBody(vehicle, seededRandom(1), 0);
const MIXED: Phase[] = [
  { kind: 'town', duration_s: 480 },
  { kind: 'road', duration_s: 720 },
  { kind: 'idle', duration_s: 300 },
];

function drive(phases: readonly Phase[], ambient_c: number, fault: Partial<PlantFault> = {}, heater_pct = 0) {
  const demand = drivePhases(phases, heater_pct, seededRandom(7));
  const conditions = { ambient_c, engineStart_c: ambient_c, coverFraction: 0 };
  return simulateDrive(body, { ...NO_FAULT, ...fault }, demand, conditions, seededRandom(9));
}

const minutesTo = (run: ReturnType<typeof drive>, c: number) => run.coolant_c.findIndex((t) => t >= c) / 60;
const last = (run: ReturnType<typeof drive>) => run.coolant_c.at(-1)!;
const mean = (values: Float64Array) => values.reduce((a, b) => a + b, 0) / values.length;

describe('plant: a sound 1.6 petrol', () => {
  it('warms from 10 to 88 °C in the time such engines take', () => {
    const mixed = minutesTo(drive(MIXED, 10), 88);
    expect(mixed).toBeGreaterThan(5);
    expect(mixed).toBeLessThan(11);
    const idling = minutesTo(drive([{ kind: 'idle', duration_s: 2400 }], 10), 88);
    expect(idling).toBeGreaterThan(14);
    expect(idling).toBeLessThan(32);
  });

  it('holds near its rating whatever the speed', () => {
    const road = drive(
      [
        { kind: 'town', duration_s: 900 },
        { kind: 'road', duration_s: 600 },
      ],
      5,
    ).coolant_c.slice(1200);
    expect(Math.min(...road)).toBeGreaterThan(vehicle.thermostat.rated_c - 3);
    expect(Math.max(...road)).toBeLessThan(vehicle.thermostat.rated_c + 10);
  });

  it('keeps radiator and coolant between outside air and boiling', () => {
    const run = drive(MIXED, -20);
    expect(Math.min(...run.rad_out_c)).toBeGreaterThanOrEqual(-20.5);
    expect(Math.max(...run.coolant_c)).toBeLessThan(120);
  });

  it('its fan cuts in and out at standstill on a hot day', () => {
    const run = drive(
      [
        { kind: 'road', duration_s: 600 },
        { kind: 'idle', duration_s: 1500 },
      ],
      34,
    );
    const fan = run.fan_pct.slice(600);
    expect(Math.max(...fan)).toBe(100);
    expect(fan.some((f, i) => i > 0 && f < fan[i - 1]!)).toBe(true);
  });
});

describe('plant: faults move the reading the way they do on a car', () => {
  const sound = drive(MIXED, 0);

  it('stuck open: cold, and colder at speed', () => {
    const open = drive(MIXED, 0, { leakFraction: 0.8 });
    expect(mean(open.coolant_c.slice(900, 1150))).toBeLessThan(vehicle.thermostat.rated_c - 20);
    const motorway = drive([...MIXED.slice(0, 2), { kind: 'motorway', duration_s: 600 }], -5, { leakFraction: 0.8 });
    expect(vehicle.thermostat.rated_c - last(motorway)).toBeGreaterThan(25);
    expect(vehicle.thermostat.rated_c - last(motorway)).toBeLessThan(70);
  });

  it('a leak slows the rise, an early opener does not', () => {
    const leaking = drive(MIXED, 0, { leakFraction: 0.2 });
    const early = drive(MIXED, 0, { openingShift_k: -25 });
    expect(minutesTo(leaking, 50)).toBeGreaterThan(minutesTo(sound, 50) * 1.15);
    expect(minutesTo(early, 50)).toBeCloseTo(minutesTo(sound, 50), 0);
    expect(mean(early.coolant_c.slice(900))).toBeLessThan(vehicle.thermostat.rated_c - 12);
  });

  it('stuck closed overheats', () => {
    expect(Math.max(...drive(MIXED, 20, { liftLimit: 0 }).coolant_c)).toBeGreaterThan(115);
  });

  it('a dead fan creeps at standstill', () => {
    const phases: Phase[] = [
      { kind: 'road', duration_s: 700 },
      { kind: 'idle', duration_s: 1500 },
    ];
    expect(last(drive(phases, 34, { fan: 'dead' }))).toBeGreaterThan(last(drive(phases, 34)) + 4);
  });

  it('senders shift, lag, freeze and drop out without touching the coolant', () => {
    const faults: Partial<PlantFault>[] = [{ senderLag_s: 90 }, { frozenFrom_s: 300 }, { dropoutsPerMin: 2 }];
    for (const fault of faults) {
      const run = drive([{ kind: 'town', duration_s: 600 }], 15, fault);
      const same = drive([{ kind: 'town', duration_s: 600 }], 15);
      expect(mean(run.coolant_c)).toBeCloseTo(mean(same.coolant_c), 1);
      expect(run.ect_c.some((v, i) => Math.abs(v - same.ect_c[i]!) > 4)).toBe(true);
    }
    const low = drive(MIXED, 0, { senderOffset_k: -15 });
    expect(low.ect_c[0]!).toBeCloseTo(-15, 0);
  });

  it('air makes the reading leap', () => {
    const run = drive(MIXED, 0, { airFraction: 0.7 });
    const leap = Math.max(...run.ect_c.slice(15).map((v, i) => v - run.ect_c[i]!));
    expect(leap).toBeGreaterThan(7);
  });
});

const SOUND: readonly Cause[] = ['healthy', 'insufficient-heat'];

describe('drawScenario', () => {
  it('is the same for the same seed, another for another', () => {
    const a = drawScenario({ seed: 4, cause: 'thermostat-leaking' });
    const b = drawScenario({ seed: 4, cause: 'thermostat-leaking' });
    expect(a.trace).toEqual(b.trace);
    expect(drawScenario({ seed: 5, cause: 'thermostat-leaking' }).vehicle).not.toEqual(a.vehicle);
  });

  it.each(CAUSES)('draws %s and says how far it moved the reading', (cause) => {
    const drawn = Array.from({ length: 6 }, (_, i) => drawScenario({ seed: 11 + i, cause, channelSet: 'full' }));
    const effects_k = drawn.map((s) => s.effect_k);
    // Which of the two a sound vehicle is, its drive tells.
    if (SOUND.includes(cause)) {
      for (const s of drawn) expect(SOUND).toContain(s.cause);
      expect(effects_k).toEqual(drawn.map(() => 0));
    } else {
      for (const s of drawn) expect(s.cause).toBe(cause);
      expect(Math.max(...effects_k)).toBeGreaterThan(0);
    }
  });

  it('logs what its channel set offers, rounded as on the bus', () => {
    const { trace } = drawScenario({ seed: 3, cause: 'healthy', channelSet: 'basic' });
    expect(Object.keys(trace.channels).sort()).toEqual(['ect_c', 'iat_c', 'rpm', 'speed_kmh']);
    expect([...trace.channels.ect_c].filter(Number.isFinite).every((v) => Number.isInteger(v))).toBe(true);
  });
});
