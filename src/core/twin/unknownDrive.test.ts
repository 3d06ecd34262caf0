import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { roadLoadFuel_kw } from './heatEstimate';
import { ACTIVITY_RANGE, ACTIVITY_STEP, unknownDrive } from './unknownDrive';

const petrol = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const table = unknownDrive(petrol);
const row = (activity: number) => Math.round((activity + ACTIVITY_RANGE) / ACTIVITY_STEP);
const kmh = (activity: number) => table.speedRel[row(activity)]! * 27.8 * 3.6;
const fuelRel = (activity: number, of = table) => Math.exp(of.logFuel[row(activity)]!);

describe('a drive of which nothing is known', () => {
  it('stands, crawls through town, or runs on the open road', () => {
    expect(kmh(-2)).toBeLessThan(1);
    expect(kmh(-0.7)).toBeLessThan(10);
    expect(kmh(0)).toBeGreaterThan(15);
    expect(kmh(0)).toBeLessThan(35);
    expect(kmh(1)).toBeGreaterThan(55);
    expect(kmh(1.5)).toBeGreaterThan(85);
    expect(kmh(4)).toBeLessThan(150);
  });

  it('more activity is never less speed, pump or ram air', () => {
    for (const values of [table.speedRel, table.ramAir, table.pumpRel]) {
      for (let i = 1; i < values.length; i++) expect(values[i]!).toBeGreaterThanOrEqual(values[i - 1]! - 1e-12);
    }
  });

  it('never takes less fuel than an idling engine', () => {
    const idle = roadLoadFuel_kw(petrol, {
      speed_mps: 0,
      rpm: petrol.engine.idle_rpm,
      acceleration_mps2: 0,
      load_pct: NaN,
      maf_gps: NaN,
    });
    const reference = 15 * petrol.engine.displacement_l;
    for (const log of table.logFuel) expect(Math.exp(log)).toBeGreaterThan(0.98 * (idle / reference));
    expect(fuelRel(-4)).toBeCloseTo(idle / reference, 2);
  });

  it('per litre, a small engine works harder than a large one at the same speed', () => {
    const small = unknownDrive(startingVehicle({ fuel: 'petrol', displacement_l: 1, hybrid: false }));
    const large = unknownDrive(startingVehicle({ fuel: 'petrol', displacement_l: 3, hybrid: false }));
    for (const activity of [0, 1, 2]) expect(fuelRel(activity, small)).toBeGreaterThan(fuelRel(activity, large));
  });

  it('a warm hybrid rests its engine in town, not on the motorway; another engine never rests', () => {
    const hybrid = unknownDrive(startingVehicle({ fuel: 'petrol', displacement_l: 1.8, hybrid: true }));
    expect(hybrid.warmShare[row(0)]!).toBeLessThan(0.4);
    expect(hybrid.warmShare[row(2)]!).toBeCloseTo(1, 2);
    expect(table.warmShare.every((s) => s === 1)).toBe(true);
  });
});
