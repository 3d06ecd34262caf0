import { deviation, mean } from 'd3-array';
import { describe, expect, it } from 'vitest';
import { walk } from './metropolis';

describe('a walk', () => {
  it('finds mean and spread of a tilted normal from a bad start', () => {
    // Two coordinates with correlation 0.8, spreads 2 and 0.5.
    const logDensity = (v: Float64Array) => {
      const [x, y] = [(v[0]! - 3) / 2, (v[1]! + 1) / 0.5];
      return (-0.5 * (x * x - 2 * 0.8 * x * y + y * y)) / (1 - 0.8 ** 2);
    };
    const samples = walk(logDensity, [12, 4], [1, 1], { warmUp: 3000, kept: 20000 });
    expect(mean(samples, (s) => s[0]!)!).toBeCloseTo(3, 0);
    expect(Math.abs(deviation(samples, (s) => s[0]!)! - 2)).toBeLessThan(0.3);
    expect(Math.abs(deviation(samples, (s) => s[1]!)! - 0.5)).toBeLessThan(0.08);
  });

  it('keeps out of where it cannot be, and is the same every time', () => {
    const half = (v: Float64Array) => (v[0]! < 0 ? -Infinity : -v[0]!);
    const samples = walk(half, [1], [1]);
    expect(samples.every((s) => s[0]! >= 0)).toBe(true);
    // An exponential distribution has mean 1.
    expect(Math.abs(mean(samples, (s) => s[0]!)! - 1)).toBeLessThan(0.15);
    expect(walk(half, [1], [1])).toEqual(samples);
  });
});
