import { describe, expect, it } from 'vitest';
import { startingVehicle } from '@/core/planning';
import type { Finding } from '@/core/judge';
import type { TraceRecord } from '@/storage/records';
import { driftPoints, judgedAlike, settledLevel_c } from './drift';

const finding = (measured: readonly number[], z = 0.4): Finding =>
  ({
    curves: { measured_c: Float64Array.from(measured) },
    parameters: [{ name: 'opening', value: 86, z }],
  }) as unknown as Finding;
const trace = (id: string, importedAt: number, clock: object | null = null): TraceRecord =>
  ({ id, importedAt, report: { clock } }) as unknown as TraceRecord;

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
      { trace: trace('clock-only', 2000, { kind: 'clock', start_s: 3 }), finding: finding([80, 80, 80], 0.01) },
    ]);
    expect(points.map((p) => p.traceId)).toEqual(['old-log', 'read-first', 'clock-only']);
    expect(points[0]).toMatchObject({ at: 500, settled_c: null, opening_c: null });
    expect(points[1]).toMatchObject({ settled_c: 80, opening_c: 86 });
    // A drive that never reached the valve leaves the fit at its prior and says nothing of the opening.
    expect(points[2]!.opening_c).toBeNull();
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
