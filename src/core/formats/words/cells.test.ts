import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isMissing, looksNumeric, readSwitch, readWritten } from './cells';

describe('readWritten', () => {
  it.each([
    ['12.5', 12.5, 'decimal', '.', ''],
    ['-3', -3, 'whole', null, ''],
    ['−3', -3, 'whole', null, ''],
    ['+7', 7, 'whole', null, ''],
    ['.5', 0.5, 'decimal', '.', ''],
    ['1e3', 1000, 'whole', null, ''],
    ['1,5e3', 1500, 'decimal', ',', ''],
    ['88 °C', 88, 'whole', null, '°C'],
    ['50km/h', 50, 'whole', null, 'km/h'],
    ['850 1/min', 850, 'whole', null, '1/min'],
    ['30 %', 30, 'whole', null, '%'],
    ['"12"', 12, 'whole', null, ''],
    ["1'234.5", 1234.5, 'decimal', '.', ''],
    ['1 234', 1234, 'whole', null, ''],
    ['1\u202f234', 1234, 'whole', null, ''],
    ['20,5', 20.5, 'decimal', ',', ''],
    ['1.234,5', 1234.5, 'grouped', '.', ''],
    ['1.000,00', 1000, 'grouped', '.', ''],
    ['1,234.5', 1234.5, 'grouped', ',', ''],
    ['1,234,567', 1_234_567, 'grouped', ',', ''],
    ['1,234', 1.234, 'like', ',', ''],
    ['1.158', 1.158, 'like', '.', ''],
    ['0.158', 0.158, 'decimal', '.', ''],
    ['1234.158', 1234.158, 'decimal', '.', ''],
  ] as const)('%j', (text, value, form, mark, unit) => {
    expect(readWritten(text)).toEqual({ value, form, mark, unit });
  });

  it.each(['12.30.11', '0x1F', '1e999', 'abc', '', '12,5,7', '1.2.3', '9'.repeat(80)])('%j is no number', (text) =>
    expect(readWritten(text)).toBeNull(),
  );

  it('reads back every number that JavaScript writes', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
        expect(readWritten(String(value))!.value).toBe(Number(String(value)));
      }),
    );
  });
});

it.each(['', ' ', '-', '--', 'NaN', 'N/A', 'null', '#N/A', 'no data', 'Infinity', '?'])('%j is no reading', (cell) =>
  expect(isMissing(cell)).toBe(true),
);

describe('switch words', () => {
  it.each([
    ['ON', 100],
    ['off', 0],
    ['true', 100],
    ['inactive', 0],
    ['12', null],
    ['', null],
  ] as const)('%j', (cell, state) => expect(readSwitch(cell)).toBe(state));
});

describe('looksNumeric', () => {
  it.each([
    ['12', true],
    ['1,234.5', true],
    ['-.5', true],
    ['12 °C', false],
    ['rpm', false],
    ['', false],
    ['1'.repeat(100), false],
  ] as const)('%j: %s', (cell, yes) => expect(looksNumeric(cell)).toBe(yes));
});
