import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isMissing, looksNumeric, PLAIN_NUMBERS, readNumber, readSwitch, sniffNumberStyle } from './cells';

const COMMA = { decimalComma: true, grouped: false };
const GROUPED = { decimalComma: false, grouped: true };
const GROUPED_COMMA = { decimalComma: true, grouped: true };

describe('readNumber', () => {
  it.each([
    ['12.5', PLAIN_NUMBERS, 12.5],
    ['-3', PLAIN_NUMBERS, -3],
    ['−3', PLAIN_NUMBERS, -3],
    ['+7', PLAIN_NUMBERS, 7],
    ['.5', PLAIN_NUMBERS, 0.5],
    ['1e3', PLAIN_NUMBERS, 1000],
    ['88 °C', PLAIN_NUMBERS, 88],
    ['50km/h', PLAIN_NUMBERS, 50],
    ['30 %', PLAIN_NUMBERS, 30],
    ['"12"', PLAIN_NUMBERS, 12],
    ["1'234.5", PLAIN_NUMBERS, 1234.5],
    ['1 234', PLAIN_NUMBERS, 1234],
    ['1\u202f234', PLAIN_NUMBERS, 1234],
    ['20,5', COMMA, 20.5],
    ['1.234,5', GROUPED_COMMA, 1234.5],
    ['1,234.5', GROUPED, 1234.5],
    ['1,234', GROUPED, 1234],
    ['12.30.11', PLAIN_NUMBERS, null],
    ['0x1F', PLAIN_NUMBERS, null],
    ['1e999', PLAIN_NUMBERS, null],
    ['abc', PLAIN_NUMBERS, null],
    ['12,5', PLAIN_NUMBERS, null],
  ] as const)('%j', (text, style, value) => expect(readNumber(text, style)).toBe(value));

  it.each(['', ' ', '-', '--', 'NaN', 'N/A', 'null', '#N/A', 'no data', 'Infinity', '?'])(
    '%j is no reading',
    (cell) => {
      expect(readNumber(cell, PLAIN_NUMBERS)).toBeNaN();
      expect(isMissing(cell)).toBe(true);
    },
  );

  it('reads back every number that JavaScript writes', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
        expect(readNumber(String(value), PLAIN_NUMBERS)).toBe(Number(String(value)));
      }),
    );
  });
});

describe('switch words', () => {
  it.each([
    ['ON', 100],
    ['off', 0],
    ['true', 100],
    ['inactive', 0],
    ['12', null],
    ['', null],
  ] as const)('%j', (cell, value) => expect(readSwitch(cell)).toBe(value));
});

describe('the style of numbers', () => {
  it.each<[string, string[][], ReturnType<typeof sniffNumberStyle>]>([
    ['points', [['1.5', '2.25']], PLAIN_NUMBERS],
    ['commas', [['1,5', '2,25']], COMMA],
    ['thousands with points', [['1,234.5']], GROUPED],
    ['thousands with commas', [['1.234,5']], GROUPED_COMMA],
    ['millions', [['1,234,567']], GROUPED],
    ['whole numbers only', [['1', '20']], PLAIN_NUMBERS],
    ['thousands beside points', [['1,234'], ['1.5']], GROUPED],
    ['thousands beside bare hundreds', [['1,234', '850', '1,100']], GROUPED],
    ['three decimals everywhere', [Array.from({ length: 10 }, (_, i) => `${i + 1},125`)], null],
    ['three decimals with a zero before them', [['0,125', '1,125']], COMMA],
    ['open', [['1,234', '2,345']], null],
  ])('%s', (_, columns, style) => expect(sniffNumberStyle(columns)).toEqual(style));

  it.each([
    ['12', true],
    ['-1,5', true],
    ["1'200", true],
    ['1e5', true],
    ['12 °C', false],
    ['time', false],
    ['', false],
  ] as const)('%j looks numeric: %s', (cell, yes) => expect(looksNumeric(cell)).toBe(yes));
});
