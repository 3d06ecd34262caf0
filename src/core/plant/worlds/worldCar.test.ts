import { describe, expect, it } from 'vitest';
import { driveWorldCar, drawWorldCar, type WorldCarDrive } from './worldCar';

const DRIVE: WorldCarDrive = {
  phases: [
    { kind: 'town', duration_s: 300 },
    { kind: 'road', duration_s: 600 },
  ],
  ...{ ambient_c: 5, heater_pct: 40, startExcess_k: 0, channelSet: 'full', seed: 3 },
};

describe('a car of a world', () => {
  it('is the same for the same arguments, and another cause leaves the car as it is', () => {
    const car = drawWorldCar(8, 5001, 'thermostat-stuck-open');
    expect(drawWorldCar(8, 5001, 'thermostat-stuck-open')).toEqual(car);
    expect(drawWorldCar(9, 5001, 'thermostat-stuck-open').vehicle).not.toEqual(car.vehicle);
    expect(car.fault.leakFraction).toBeGreaterThan(0);
  });

  it('shows its fault against itself without it, and no fault where it is sound', () => {
    const sound = driveWorldCar(drawWorldCar(8, 5001, 'healthy'), DRIVE);
    expect(sound.effect_k).toBe(0);
    const open = driveWorldCar(drawWorldCar(8, 5001, 'thermostat-stuck-open'), DRIVE);
    expect(open.effect_k).toBeGreaterThan(1);
  });

  it('starts as warm as it stood, and reaches less in the cold', () => {
    const car = drawWorldCar(8, 5001, 'healthy');
    const warm = driveWorldCar(car, { ...DRIVE, startExcess_k: 45 }).trace.channels.ect_c;
    const cold = driveWorldCar(car, DRIVE).trace.channels.ect_c;
    expect(warm[0]! - cold[0]!).toBeGreaterThan(30);
    const frost = driveWorldCar(car, { ...DRIVE, ambient_c: -25, heater_pct: 100 });
    expect(frost.reach_k).toBeLessThan(driveWorldCar(car, DRIVE).reach_k);
  });

  it('is stopped where it overheats', () => {
    const long = { ...DRIVE, ambient_c: 35, phases: [{ kind: 'hill' as const, duration_s: 2400 }] };
    const closed = driveWorldCar(drawWorldCar(8, 5001, 'thermostat-stuck-closed'), long).trace;
    const sound = driveWorldCar(drawWorldCar(8, 5001, 'healthy'), long).trace;
    expect(closed.time_s.at(-1)!).toBeLessThan(sound.time_s.at(-1)! - 300);
  });
});
