import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMMON_SENDER, fitNtcCurve, ntcCelsius, ntcOhms, readingWithFault } from './ntc';

const { curve } = COMMON_SENDER;

describe('sender', () => {
  it('passes through the points it was fitted to', () => {
    expect(ntcCelsius(2500, curve)).toBeCloseTo(20, 6);
    expect(ntcCelsius(320, curve)).toBeCloseTo(80, 6);
  });

  it('inverts', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 150, noNaN: true }), (t) => {
        expect(ntcCelsius(ntcOhms(t, curve), curve)).toBeCloseTo(t, 5);
      }),
    );
  });

  it('series resistance reads low, more when hot', () => {
    const error = (t: number) => readingWithFault(t, { series_ohm: 60, parallel_ohm: Infinity }, curve) - t;
    expect(error(0)).toBeGreaterThan(-1);
    expect(error(90)).toBeLessThan(-5);
    expect(error(90)).toBeLessThan(error(50));
  });

  it('leakage reads high, more when cold', () => {
    const error = (t: number) => readingWithFault(t, { series_ohm: 0, parallel_ohm: 3000 }, curve) - t;
    expect(error(0)).toBeGreaterThan(10);
    expect(error(90)).toBeLessThan(3);
  });

  it('refuses nonsense', () => {
    expect(() => ntcCelsius(0, curve)).toThrow(/finite and > 0, got 0/);
    expect(() => fitNtcCurve([[20, 2500]])).toThrow(/three points/);
    expect(() =>
      fitNtcCurve([
        [20, 2500],
        [20, 2500],
        [100, 186],
      ]),
    ).toThrow(/must differ/);
  });
});
