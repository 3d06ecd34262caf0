import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { joinFindings, wandered, type Gaussian } from './gaussian';

const one = (mean: number, variance: number): Gaussian => ({
  mean: Float64Array.of(mean),
  covariance: Float64Array.of(variance),
});

/** log ∫ N(x; m1, v1) N(x; m2, v2) / N(x; 0, 1) dx by adding up thin slices. */
function bySlices(a: Gaussian, b: Gaussian): number {
  const density = (x: number, m: number, v: number) => Math.exp(-((x - m) ** 2) / (2 * v)) / Math.sqrt(2 * Math.PI * v);
  let sum = 0;
  const step = 0.002;
  for (let x = -12; x < 12; x += step) {
    sum += (density(x, a.mean[0]!, a.covariance[0]!) * density(x, b.mean[0]!, b.covariance[0]!)) / density(x, 0, 1);
  }
  return Math.log(sum * step);
}

const finding = fc
  .record({
    mean: fc.double({ min: -2, max: 2, noNaN: true }),
    variance: fc.double({ min: 0.02, max: 0.95, noNaN: true }),
  })
  .map(({ mean, variance }) => one(mean, variance));

describe('two findings of the same thing', () => {
  it('agree by as much as the integral says', () => {
    fc.assert(
      fc.property(finding, finding, (a, b) => {
        expect(joinFindings(a, b).logAgreement).toBeCloseTo(bySlices(a, b), 3);
      }),
      { numRuns: 60 },
    );
  });

  it('one that knows nothing changes nothing', () => {
    fc.assert(
      fc.property(finding, (a) => {
        const { joint, logAgreement } = joinFindings(a, one(0, 1));
        expect(logAgreement).toBeCloseTo(0, 6);
        expect(joint.mean[0]).toBeCloseTo(a.mean[0]!, 6);
        expect(joint.covariance[0]).toBeCloseTo(a.covariance[0]!, 6);
      }),
    );
  });

  it('near ones speak for one thing, far ones against', () => {
    expect(joinFindings(one(1.5, 0.05), one(1.4, 0.05)).logAgreement).toBeGreaterThan(1);
    expect(joinFindings(one(1.5, 0.05), one(-1.4, 0.05)).logAgreement).toBeLessThan(-10);
  });

  it('correlated coordinates are joined as such', () => {
    const a = { mean: Float64Array.of(0.5, -0.5), covariance: Float64Array.of(0.5, 0.4, 0.4, 0.5) };
    const b = { mean: Float64Array.of(0.4, 0), covariance: Float64Array.of(0.3, 0, 0, 1) };
    const { joint } = joinFindings(a, b);
    // What b says of the first coordinate moves the second by their correlation.
    expect(joint.mean[1]!).toBeLessThan(-0.3);
    expect(joint.covariance[1]).toBeCloseTo(joint.covariance[2]!, 9);
    expect(() => joinFindings(a, one(0, 1))).toThrow(/2 and 1 coordinates/);
  });

  it('what wandered off is the standard normal again, what was kept whole is the same', () => {
    const a = one(1.2, 0.1);
    expect(wandered(a, () => 1)).toEqual(a);
    expect(wandered(a, () => 0)).toEqual(one(0, 1));
    expect(wandered(a, () => 0.5).covariance[0]).toBeCloseTo(0.25 * 0.1 + 0.75, 9);
  });
});
