import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { trendOf } from './trend';

const YEAR_MS = 365.25 * 86_400_000;
const at = (years: number, value: number, sd = 1) => ({ at: years * YEAR_MS, value, sd });

describe('drift over years', () => {
  it('of two readings, or of a fortnight, is too few to say', () => {
    expect(trendOf([])).toEqual({ kind: 'too-few', n: 0 });
    expect(trendOf([at(0, 88), at(3, 80)])).toEqual({ kind: 'too-few', n: 2 });
    expect(trendOf([at(0, 88), at(0.01, 84), at(0.02, 80)])).toEqual({ kind: 'too-few', n: 3 });
  });

  it('follows a line exactly, whatever the order', () => {
    const found = trendOf([at(4, 82), at(0, 90), at(2, 86), at(1, 88)]);
    expect(found).toMatchObject({ kind: 'drifts', n: 4, years: 4 });
    expect(found.kind !== 'too-few' && [found.perYear, found.first, found.last]).toEqual([
      expect.closeTo(-2, 9),
      expect.closeTo(90, 9),
      expect.closeTo(82, 9),
    ]);
  });

  it('does not call the uncertainty of the readings a drift', () => {
    expect(trendOf([at(0, 88, 3), at(1, 87, 3), at(2, 86, 3)]).kind).toBe('steady');
    expect(trendOf([at(0, 88, 0.2), at(1, 87, 0.2), at(2, 86, 0.2)]).kind).toBe('drifts');
  });

  it('nor scatter that is larger than was claimed', () => {
    expect(trendOf([at(0, 88, 0.1), at(1, 83, 0.1), at(2, 90, 0.1), at(3, 85, 0.1)]).kind).toBe('steady');
  });

  it('a reading of little weight moves it little', () => {
    const found = trendOf([at(0, 88, 0.5), at(1, 88, 0.5), at(2, 88, 0.5), at(3, 60, 50)]);
    expect(found.kind === 'steady' && Math.abs(found.perYear)).toBeLessThan(0.1);
  });

  it('finds the slope of any line, with its own unit of time', () => {
    const line = fc.record({
      slope: fc.double({ min: -8, max: 8, noNaN: true }),
      start: fc.double({ min: -20, max: 120, noNaN: true }),
    });
    fc.assert(
      fc.property(line, ({ slope, start }) => {
        const found = trendOf([0, 0.7, 1.9, 3.2].map((t) => at(t, start + slope * t)));
        expect(found.kind !== 'too-few' && found.perYear).toBeCloseTo(slope, 6);
      }),
    );
  });
});
