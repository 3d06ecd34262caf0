import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differenceText, inShownUnits, temperatureText } from './quantityText';
import { type UnitFamily } from './units';

const IMPERIAL: Partial<Record<UnitFamily, string>> = {
  temperature: '°F',
  temperatureDifference: '°F',
  speed: 'mph',
  pressure: 'psi',
};
const imperial = (family: UnitFamily): string => IMPERIAL[family]!;
const METRIC: Partial<Record<UnitFamily, string>> = {
  temperature: '°C',
  temperatureDifference: '°C',
  speed: 'km/h',
  pressure: 'kPa',
};
const metric = (family: UnitFamily): string => METRIC[family]!;

describe('quantities in sentences', () => {
  it('are written one way', () => {
    expect(temperatureText(81.4)).toBe('81 °C');
    expect(temperatureText(-0.2)).toBe('0 °C');
    expect(temperatureText(-18.26, 1)).toBe('-18.3 °C');
    expect(differenceText(-6.4)).toBe('6 K');
    expect(differenceText(0.84, 1)).toBe('0.8 K');
  });

  it('are shown in other units, differences without the offset of the scale', () => {
    expect(inShownUnits('It read 100 °C, 10 K above.', imperial)).toBe('It read 212 °F, 18 °F above.');
    expect(inShownUnits('It climbed 3.0 K a minute from -18 °C.', imperial)).toBe(
      'It climbed 5.4 °F a minute from 0 °F.',
    );
    expect(inShownUnits('A steady 80-100 km/h, then town', imperial)).toBe('A steady 50-62 mph, then town');
    expect(inShownUnits('between 70 °C and 80 °C', imperial)).toBe('between 158 °F and 176 °F');
    expect(inShownUnits('Cap releases at 103 kPa', imperial)).toBe('Cap releases at 15 psi');
  });

  it('stay as they are in the stored units, with differences in the unit people say', () => {
    expect(inShownUnits('from -18 °C by 6 K at 50 km/h', metric)).toBe('from -18 °C by 6 °C at 50 km/h');
  });

  it('leave other numbers and names alone', () => {
    for (const sentence of [
      'Radiator at 100 kW/K',
      '20 min, 3 of 10 drives, minute 12',
      'Car 11 Kestrel: 4 Keys',
      'code P0128',
    ]) {
      expect(inShownUnits(sentence, imperial)).toBe(sentence);
    }
  });

  it('every temperature that is written is found again', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 180 }), fc.integer({ min: 0, max: 1 }), (c, digits) => {
        const back = inShownUnits(`x ${temperatureText(c, digits)} y`, imperial);
        const fahrenheit = ((c * 9) / 5 + 32).toFixed(digits).replace(/^-0$/, '0');
        expect(back).toBe(`x ${fahrenheit} °F y`);
      }),
    );
  });

  it('a unit that a family does not have is refused', () => {
    expect(() => inShownUnits('5 km/h', () => '°F')).toThrow(RangeError);
  });
});
