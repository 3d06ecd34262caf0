import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { thin } from './thin';

describe('thinning', () => {
  it('never loses the highest or the lowest sample', () => {
    const values = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 800 });
    fc.assert(
      fc.property(values, fc.integer({ min: 2, max: 300 }), (list, most) => {
        const kept = thin(list, most).map((i) => list[i]!);
        expect(Math.max(...kept)).toBe(Math.max(...list));
        expect(Math.min(...kept)).toBe(Math.min(...list));
        expect(kept.length).toBeLessThanOrEqual(most + 2);
      }),
    );
  });

  it('gives rising indices, leaves out what is missing, and keeps to a range', () => {
    const values = Float64Array.from({ length: 100 }, (_, i) => (i % 7 === 0 ? NaN : Math.sin(i)));
    const kept = thin(values, 20, 30, 60);
    expect([...kept].sort((a, b) => a - b)).toEqual(kept);
    expect(kept.every((i) => i >= 30 && i < 60 && Number.isFinite(values[i]!))).toBe(true);
    expect(thin(new Float64Array(5).fill(NaN), 10)).toEqual([]);
  });
});
