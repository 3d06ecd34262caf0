import { describe, expect, it } from 'vitest';
import { binMeans, interpolateTable, logSumExp, normalCdf, resample, smoothStep } from './index';

describe('signal', () => {
  it('averages in bins and leaves empty ones empty', () => {
    const { mean, count } = binMeans(Float64Array.of(0, 1, 2, 9), Float64Array.of(1, NaN, 3, 7), 2, 5);
    expect([...mean]).toEqual([1, 3, NaN, NaN, 7]);
    expect([...count]).toEqual([1, 1, 0, 0, 1]);
  });

  it('resamples across gaps and holds the ends', () => {
    const at = Float64Array.of(-1, 1, 2, 5);
    expect([...resample(Float64Array.of(0, 2, 4), Float64Array.of(0, NaN, 8), at)]).toEqual([0, 2, 4, 8]);
    expect([...resample(Float64Array.of(0, 1), Float64Array.of(NaN, NaN), at)]).toEqual([NaN, NaN, NaN, NaN]);
  });

  it('interpolates tables', () => {
    expect(interpolateTable(1.5, [1, 2], [10, 20])).toBe(15);
    expect(interpolateTable(9, [1, 2], [10, 20])).toBe(20);
    expect(interpolateTable(0, [1, 2], [10, 20])).toBe(10);
  });

  it('knows the normal distribution', () => {
    expect(normalCdf(0)).toBeCloseTo(0.5, 6);
    expect(normalCdf(1.96)).toBeCloseTo(0.975, 4);
    expect(normalCdf(-1)).toBeCloseTo(0.158655, 5);
  });

  it('sums exponents without overflow', () => {
    expect(logSumExp([1000, 1000])).toBeCloseTo(1000 + Math.LN2, 9);
    expect(logSumExp([])).toBe(-Infinity);
    expect(logSumExp([-Infinity, 0])).toBe(0);
  });

  it('steps smoothly', () => {
    expect([smoothStep(-1), smoothStep(0.5), smoothStep(2), smoothStep(NaN)]).toEqual([0, 0.5, 1, 0]);
  });
});
