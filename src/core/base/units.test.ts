import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity, UNITS, unitOf, type UnitFamily } from './units';

describe('parseQuantity', () => {
  it.each([
    ['212 F', 'temperature', '°C', 100],
    ['190F', 'temperature', '°C', 87.78],
    ['88', 'temperature', '°C', 88],
    ['190', 'temperature', '°F', 87.78],
    ['−5 °C', 'temperature', '°F', -5],
    ['15 psi', 'pressure', 'kPa', 103.42],
    ['1,1 bar', 'pressure', 'kPa', 110],
    ['60 mph', 'speed', 'km/h', 96.56],
    ['1.5 gal', 'volume', 'l', 5.678],
    ['1 imp gal', 'volume', 'l', 4.546],
    ['20 lb-ft', 'torque', 'N·m', 27.12],
    ['120 in-lb', 'torque', 'N·m', 13.56],
  ] as const)('%s is understood', (text, family, shown, expected) => {
    expect(parseQuantity(text, family, shown)).toBeCloseTo(expected, 1);
  });

  it.each(['', 'warm', '12 parsec', '1.2.3', '88 psi'])('"%s" is no temperature', (text) => {
    expect(parseQuantity(text, 'temperature', '°C')).toBeNull();
  });

  it('gives back what any unit shows', () => {
    const families = Object.keys(UNITS) as UnitFamily[];
    fc.assert(
      fc.property(
        fc.constantFrom(...families),
        fc.nat(20),
        fc.double({ min: -200, max: 900, noNaN: true }),
        (f, i, si) => {
          const unit = UNITS[f][i % UNITS[f].length]!;
          const typed = `${unit.fromSi(si).toFixed(6)} ${unit.symbol}`;
          expect(parseQuantity(typed, f, UNITS[f][0].symbol)).toBeCloseTo(si, 3);
        },
      ),
    );
  });

  it('refuses a unit of another family', () => {
    expect(() => unitOf('pressure', '°C')).toThrow(/pressure has no unit/);
  });
});
