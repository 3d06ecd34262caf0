import { describe, expect, it } from 'vitest';
import { judgeNow } from '@/core/judge';
import { startingVehicle } from '@/core/planning';
import { curvePoints } from './findingView';

const ect_c = Float64Array.from({ length: 1500 }, (_, t) => Math.round(88 - 80 * Math.exp(-t / 220)));
ect_c[700] = 20;
ect_c[300] = NaN;
const trace = { time_s: Float64Array.from(ect_c, (_, i) => i), channels: { ect_c } };
const finding = judgeNow(trace, startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));

describe('curvePoints', () => {
  const points = curvePoints(trace, finding);

  it('thins a long log but keeps its spikes', () => {
    expect(points.length).toBeLessThan(800);
    expect(points.some((p) => p.measured === 20)).toBe(true);
    points.forEach((p, i) => i > 0 && expect(p.minute).toBeGreaterThan(points[i - 1]!.minute));
  });

  it('puts the band and the curves beside each sample', () => {
    for (const p of points) {
      expect(p.band[0]).toBeLessThanOrEqual(p.band[1]);
      expect(Number.isFinite(p.best) && Number.isFinite(p.healthy)).toBe(true);
    }
  });
});
