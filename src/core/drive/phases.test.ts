import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findPhases, within } from './phases';
import { TEST_VEHICLE, testFeatureDrive, testTrace } from '../../../tests/support/testDrive';

/** Key on for 20 s, warm-up in town, opens at 400 s, road, key-off at 1200 s with a rise of heat soak before it cools. */
const ect = (t: number): number => {
  if (t < 20) return 10;
  if (t < 400) return 10 + ((t - 20) * 78) / 380;
  if (t < 1200) return 88 + 3 * (1 - Math.exp(-(t - 400) / 40));
  const off = t - 1200;
  return off < 120 ? 91 + off / 20 : 97 - (off - 120) / 40;
};
const speed = (t: number): number => (t < 40 || t >= 1180 ? 0 : t < 400 ? 35 : t < 700 ? 80 : t < 760 ? 0 : 95);
const whole = testTrace(1800, {
  ect_c: ect,
  speed_kmh: speed,
  rpm: (t) => (t < 20 || t >= 1200 ? 0 : speed(t) === 0 ? 750 : 2000),
});
const bend = { at_s: 400, atSd_s: 5, reading_c: 88, readingSd_k: 0.5 };

describe('phases of a drive', () => {
  const { phases } = testFeatureDrive(whole, { bend });

  it('by the coolant: soak, warm-up, opening, regulation, heat soak, engine off', () => {
    expect(phases.thermal.map((p) => p.kind)).toEqual([
      'soak',
      'warm-up',
      'opening',
      'regulation',
      'heat-soak',
      'engine-off',
    ]);
    const at = Object.fromEntries(phases.thermal.map((p) => [p.kind, p]));
    expect(at['warm-up']).toMatchObject({ from_s: 20, to_s: 400 });
    expect(at.regulation!.to_s).toBe(1200);
    // Back at its level of key-off 91 °C after 120 s up and 240 s down.
    expect(at['engine-off']!.from_s).toBeGreaterThan(1500);
    expect(at['engine-off']!.from_s).toBeLessThan(1650);
  });

  it('by the car: standing, slow, cruise', () => {
    expect(phases.driving.map((p) => p.kind)).toEqual([
      'standstill',
      'slow',
      'cruise',
      'standstill',
      'cruise',
      'standstill',
    ]);
    expect(phases.driving[3]!.to_s - phases.driving[3]!.from_s).toBeCloseTo(60, -1);
    expect(phases.gradesTold).toBe(false);
  });

  it('tells climbs and coasting by load or air, not by speed alone', () => {
    // Level road at 80 km/h takes this car about 1.6 g/s of fuel at most; three times that is a hill.
    const graded = testTrace(900, {
      ect_c: () => 90,
      speed_kmh: () => 80,
      rpm: () => 2200,
      maf_gps: (t) => (t < 300 ? 11 : t < 600 ? 40 : 1.5),
    });
    const found = testFeatureDrive(graded, { bend }).phases;
    expect(found.gradesTold).toBe(true);
    const at = (t: number) => found.driving.find((p) => p.from_s <= t && t < p.to_s)?.kind;
    expect([150, 450, 750].map(at)).toEqual(['cruise', 'climb', 'coast']);
  });

  it('a hybrid that stops its engine at a light has not been switched off', () => {
    const stops = testTrace(900, {
      ect_c: (t) => 40 + t / 20,
      speed_kmh: (t) => (t % 300 < 90 ? 0 : 40),
      rpm: (t) => (t % 300 < 90 && t > 100 ? 0 : 1500),
    });
    const off = (hybrid: boolean) => {
      const drive = testFeatureDrive(stops);
      const vehicle = { ...TEST_VEHICLE, engine: { ...TEST_VEHICLE.engine, hybrid } };
      return findPhases(drive.series, drive.smooth, vehicle, 'road-load', null).thermal.some(
        (p) => p.kind === 'engine-off' || p.kind === 'heat-soak',
      );
    };
    expect(off(false)).toBe(true);
    expect(off(true)).toBe(false);
  });

  it('has no driving phases without road speed', () => {
    expect(testFeatureDrive(testTrace(600, { ect_c: ect })).phases.driving).toEqual([]);
  });

  it('each track is in order, inside the drive, without overlap', () => {
    const corner = fc.record({ speed: fc.integer({ min: 0, max: 140 }), rpm: fc.integer({ min: 0, max: 4000 }) });
    fc.assert(
      fc.property(
        fc.array(corner, { minLength: 2, maxLength: 12 }),
        fc.option(fc.integer({ min: 0, max: 900 })),
        (corners, at) => {
          const of = (t: number) => corners[Math.floor((t / 900) * corners.length)]!;
          const trace = testTrace(900, { ect_c: ect, speed_kmh: (t) => of(t).speed, rpm: (t) => of(t).rpm });
          const { phases: p } = testFeatureDrive(trace, at === null ? {} : { bend: { ...bend, at_s: at } });
          for (const track of [p.thermal, p.driving]) {
            track.forEach((s, i) => {
              expect(s.to_s).toBeGreaterThan(s.from_s);
              expect(s.from_s).toBeGreaterThanOrEqual(i > 0 ? track[i - 1]!.to_s : 0);
              expect(s.to_s).toBeLessThanOrEqual(900);
            });
          }
          expect(
            within(p.thermal, ['soak', 'warm-up', 'opening', 'regulation', 'heat-soak', 'engine-off'], 900).every(
              (v) => v === 1,
            ),
          ).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});
