import { describe, expect, it } from 'vitest';
import { canonicalUnit, convertColumn, guessTemperatureUnit, unitFits } from './columnUnits';

describe('units of columns', () => {
  it.each([
    ['°F', 212, 100],
    ['K', 373.15, 100],
    ['mph', 60, 96.56],
    ['m/s', 10, 36],
    ['kg/h', 36, 10],
    ['lb/min', 1, 7.56],
  ])('%s', (unit, from, to) => {
    const values = Float64Array.of(from, NaN);
    convertColumn(values, unit);
    expect(values[0]).toBeCloseTo(to, 2);
    expect(values[1]).toBeNaN();
  });

  it('fit their channels only', () => {
    expect(unitFits('ect_c', '°F')).toBe(true);
    expect(unitFits('rpm', '°F')).toBe(false);
    expect(canonicalUnit('speed_kmh')).toBe('km/h');
    expect(() => convertColumn(new Float64Array(1), 'furlong')).toThrow(/unknown unit furlong/);
  });

  it.each([
    [[10, 40, 88], '°C'],
    [[50, 90, 120, 150, 170, 185, 188, 190, 190, 190], '°F'],
    [[280, 310, 361], 'K'],
    [[-20, -5, 3], '°C'],
    [[NaN, NaN], '°C'],
  ] as const)('%j is in %s', (values, unit) => {
    expect(guessTemperatureUnit(Float64Array.from(values))).toBe(unit);
  });
});
