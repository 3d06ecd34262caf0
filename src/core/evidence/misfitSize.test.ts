import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { misfitGain } from './misfitSize';

const BINS = 100;
/** How far apart two fits are once the size of the misfit is integrated out; their log evidence differs by the misfit. */
const apart = (better: number, worse: number): number =>
  0.5 * BINS * (worse - better) + misfitGain(better, BINS) - misfitGain(worse, BINS);

describe('size of the misfit, integrated out', () => {
  it('makes a difference count more where the model follows closely, and less where it does not', () => {
    expect(apart(0.1, 0.2)).toBeGreaterThan(0.5 * BINS * 0.1 * 1.5);
    expect(apart(4, 4.1)).toBeLessThan(apart(0.1, 0.2) / 2);
  });

  it('never turns the order of two fits of the same evidence otherwise', () => {
    const misfit = fc.double({ min: 0.02, max: 40, noNaN: true });
    fc.assert(
      fc.property(misfit, misfit, fc.integer({ min: 12, max: 200 }), (a, b, bins) => {
        const gap = 0.5 * bins * (b - a) + misfitGain(a, bins) - misfitGain(b, bins);
        if (b > a + 1e-6) expect(gap).toBeGreaterThan(0);
      }),
    );
  });

  it('makes a trace that no cause follows less sure than a fixed size would', () => {
    expect(apart(20, 40)).toBeLessThan(0.5 * BINS * 20 * 0.7);
    expect(Number.isFinite(misfitGain(0, BINS))).toBe(true);
    expect(Number.isFinite(misfitGain(1e6, BINS))).toBe(true);
  });
});
