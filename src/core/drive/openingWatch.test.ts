import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { drawBody, drawFault, drivePhases, logRun, NO_FAULT, seededRandom, simulateDrive, type Phase } from '../plant';
import type { Cause } from '../base';
import { watchOpening } from '.';

const IDLE: readonly Phase[] = [{ kind: 'idle', duration_s: 3000 }];
const WITH_HOLDS: readonly Phase[] = [
  { kind: 'idle', duration_s: 600 },
  { kind: 'hold', duration_s: 240 },
  { kind: 'idle', duration_s: 1800 },
];

/** A car bled at idle: what a logger sees, and when its valve truly opened, s; null: it did not. */
function bled(cause: Cause, seed: number, phases: readonly Phase[]) {
  const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1 + 0.2 * (seed % 7), hybrid: false });
  const random = seededRandom(100 + seed);
  const body = drawBody(vehicle, random, 0.8);
  const fault = cause === 'healthy' ? NO_FAULT : drawFault(cause, seededRandom(seed), vehicle);
  const air = { ambient_c: 18, engineStart_c: 18, coverFraction: 0 };
  const run = simulateDrive(body, fault, drivePhases(phases, 10, random), air, random);
  const trace = logRun(run, { channels: ['ect_c', 'rpm'], period_s: 1, jitter: 0, lost: 0, polled: false }, random);
  const lift = run.lift.findIndex((l) => l > 0.03);
  const watch = { opens_c: vehicle.thermostat.rated_c, rpm: trace.channels.rpm! };
  return {
    truth_s: lift < 0 ? null : lift,
    seen: watchOpening(trace.time_s, trace.channels.ect_c, watch),
    trace,
    watch,
  };
}

describe('an opening watched while it is bled', () => {
  it('is seen near where the valve truly moved, on cars that idle', () => {
    const cars = Array.from({ length: 14 }, (_, seed) => bled('healthy', seed, IDLE)).filter((c) => c.truth_s !== null);
    expect(cars.length).toBeGreaterThan(8);
    const seen = cars.filter((c) => c.seen !== null);
    expect(seen.length).toBeGreaterThanOrEqual(0.6 * cars.length);
    const off_s = seen.map((c) => Math.abs(c.seen!.at_s - c.truth_s!)).sort((a, b) => a - b);
    expect(off_s[Math.floor(off_s.length / 2)]).toBeLessThan(90);
    expect(off_s.filter((s) => s > 180).length).toBeLessThanOrEqual(1);
  });

  it('a valve that never moves shows none, held or not', () => {
    for (const phases of [IDLE, WITH_HOLDS]) {
      const seen = Array.from({ length: 10 }, (_, seed) => bled('thermostat-stuck-closed', seed, phases).seen);
      expect(seen.filter((s) => s !== null).length).toBeLessThanOrEqual(1);
    }
  });

  it('an engine let down from a hold is no opening', () => {
    const time_s = Array.from({ length: 900 }, (_, i) => i);
    const rpm = time_s.map((t) => (t < 500 ? 2500 : 750));
    // Climbs fast while it is held, slowly after; near its rating all the while.
    const ect_c = time_s.map((t) => (t < 500 ? 60 + 0.05 * t : 85 + 0.004 * (t - 500)));
    expect(watchOpening(time_s, ect_c, { opens_c: 88, rpm })).toBeNull();
    expect(watchOpening(time_s, ect_c, { opens_c: 88, rpm: null })?.at_s).toBeGreaterThan(430);
  });

  it('waits until it has shown, and bears holes', () => {
    const time_s = Array.from({ length: 1200 }, (_, i) => i);
    const ect_c = time_s.map((t) => (t < 800 ? 20 + 0.085 * t : 88));
    const until = (n: number) => watchOpening(time_s.slice(0, n), ect_c.slice(0, n), { opens_c: 88, rpm: null });
    expect(until(820)).toBeNull();
    expect(Math.abs(until(1000)!.at_s - 800)).toBeLessThan(45);
    const holed = ect_c.map((v, i) => (i % 7 === 0 ? NaN : v));
    expect(Math.abs(watchOpening(time_s, holed, { opens_c: 88, rpm: null })!.at_s - 800)).toBeLessThan(45);
    // A bend far below the rating is something else.
    expect(
      watchOpening(
        time_s,
        ect_c.map((v) => v - 20),
        { opens_c: 88, rpm: null },
      ),
    ).toBeNull();
    expect(watchOpening([], [], { opens_c: 88, rpm: null })).toBeNull();
  });
});
