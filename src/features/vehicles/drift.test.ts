import { describe, expect, it } from 'vitest';
import { startingVehicle } from '@/core/planning';
import type { Finding } from '@/core/judge';
import type { TraceRecord } from '@/storage/records';
import { driftPoints, driftTrends, judgedAlike, senderWhenCold_k, settledLevel_c } from './drift';
import { testTrace } from '../../../tests/support/testDrive';

const finding = (measured: readonly number[], share = 0.9): Finding =>
  ({
    curves: {
      measured_c: Float64Array.from(measured),
      time_s: Float64Array.of(0, 100, 200),
      best_c: Float64Array.of(80, 84, 88),
    },
    opening: { at_s: 150, share, sd_s: 4 },
  }) as unknown as Finding;
const trace = (id: string, importedAt: number, clock: object | null = null): TraceRecord =>
  ({
    id,
    importedAt,
    report: { clock },
    trace: testTrace(60, { ect_c: () => 4, ambient_c: () => 5 }),
  }) as unknown as TraceRecord;

describe('a vehicle over time', () => {
  it('settles at the mean of the last third, as far as it can be trusted', () => {
    expect(settledLevel_c(finding([10, 40, 60, 80, 86, 88]))).toBe(87);
    expect(settledLevel_c(finding([10, 40, 60, 80, NaN, 88]))).toBe(88);
    expect(settledLevel_c(finding([10, 40, 60, 80, NaN, NaN]))).toBeNull();
  });

  it('stands oldest first, by the log’s own clock where it has one', () => {
    const points = driftPoints([
      { trace: trace('read-first', 1000), finding: finding([80, 80, 80]) },
      { trace: trace('old-log', 9000, { kind: 'date', start_s: 0.5 }), finding: null },
      { trace: trace('clock-only', 2000, { kind: 'clock', start_s: 3 }), finding: finding([80, 80, 80], 0.3) },
    ]);
    expect(points.map((p) => p.traceId)).toEqual(['old-log', 'read-first', 'clock-only']);
    expect(points[0]).toMatchObject({ at: 500, settled_c: null, opening_c: null });
    expect(points[1]).toMatchObject({ settled_c: 80, opening_c: 86 });
    // A drive on which the judge hardly has it open says nothing of the opening.
    expect(points[2]!.opening_c).toBeNull();
  });
});

describe('drift over the years', () => {
  const YEAR_MS = 365.25 * 86_400_000;
  const point = (year: number, settled_c: number, sender_k: number | null) => ({
    ...{ traceId: `t${year}`, at: year * YEAR_MS, settled_c, opening_c: null, sender_k },
  });

  it('reads the sender against air after a soak only', () => {
    expect(senderWhenCold_k(testTrace(60, { ect_c: () => -9, ambient_c: () => 5 }))).toBeCloseTo(-14, 6);
    expect(senderWhenCold_k(testTrace(60, { ect_c: () => 6, iat_c: () => 5 }))).toBeCloseTo(1, 6);
    expect(senderWhenCold_k(testTrace(60, { ect_c: () => 60, ambient_c: () => 5 }))).toBeNull();
    expect(senderWhenCold_k(testTrace(60, { ect_c: () => 6 }))).toBeNull();
  });

  it('finds a level that falls, and a sender that stays', () => {
    const points = [point(0, 88, 0), point(1, 86, 0.5), point(2, 84, -0.4), point(3, 82, 0.2)];
    const { settled_c, opening_c, sender_k } = driftTrends(points, []);
    expect(settled_c).toMatchObject({ kind: 'drifts', n: 4 });
    expect(settled_c.kind !== 'too-few' && settled_c.perYear).toBeCloseTo(-2, 6);
    expect(sender_k.kind).toBe('steady');
    expect(opening_c).toEqual({ kind: 'too-few', n: 0 });
  });

  it('begins anew with the part that was renewed', () => {
    const points = [point(0, 80, 0), point(1, 78, 0), point(2, 88, 0), point(3, 88, 0)];
    const works = [{ work: 'replaced-thermostat', at: 1.5 * YEAR_MS } as const];
    expect(driftTrends(points, works).settled_c).toEqual({ kind: 'too-few', n: 2 });
    expect(driftTrends(points, works).sender_k).toMatchObject({ kind: 'steady', n: 4 });
  });
});

describe('changes of a vehicle’s data', () => {
  const vehicle = startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false });

  it('its name is nothing to the judge, its figures are', () => {
    expect(judgedAlike(vehicle, { ...vehicle, label: 'Post van' })).toBe(true);
    const reordered = Object.fromEntries(Object.entries(vehicle).reverse()) as unknown as typeof vehicle;
    expect(judgedAlike(vehicle, reordered)).toBe(true);
    expect(judgedAlike(vehicle, { ...vehicle, coolant: { ...vehicle.coolant, volume_l: 9.9 } })).toBe(false);
    expect(judgedAlike(vehicle, { ...vehicle, thermostat: { ...vehicle.thermostat, location: 'inlet' } })).toBe(false);
  });
});
