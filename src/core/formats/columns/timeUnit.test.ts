import { describe, expect, it } from 'vitest';
import { guessTimeUnit } from './timeUnit';

const times = (count: number, step: number, from = 0): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => from + i * step);
const DAY = 1 / 86_400;

describe('guessTimeUnit', () => {
  it.each<[string, Float64Array, number, string]>([
    ['seconds', times(600, 1), 60, 's'],
    ['slow seconds', times(180, 10), 60, 's'],
    ['ten rows a second', times(6000, 0.1), 60, 's'],
    ['milliseconds', times(600, 1000), 60, 'ms'],
    ['uneven milliseconds', times(6000, 103), 60, 'ms'],
    ['minutes', times(600, 1 / 60), 60, 'min'],
    ['hours', times(1200, 1 / 3600), 60, 'h'],
    ['a part of the day, hot start', times(600, DAY, 0.342), 3, 'd'],
    ['days of a spreadsheet, hot start', times(600, DAY, 45_000.3), 3, 'd'],
    ['seconds of the day', times(6000, 0.1, 34_201), 60, 's'],
    ['seconds since 1970', times(600, 1, 1.7e9), 60, 's'],
    ['milliseconds since 1970', times(600, 1000, 1.7e12), 60, 'ms'],
  ])('%s', (_, values, rise, unit) => {
    expect(guessTimeUnit(values, rise)).toMatchObject({ unit, open: false });
  });

  it('one long time does not change the unit', () => {
    const values = times(120, 10);
    values[60] = 1_200_500;
    expect(guessTimeUnit(values, 60).unit).toBe('s');
  });

  it.each([
    ['hundredths of a second, once a second', times(1800, 100), 60],
    ['tenths of a second, once a second', times(1800, 10), 60],
  ])('%s: open', (_, values, rise) => {
    expect(guessTimeUnit(values, rise).open).toBe(true);
  });

  it('knows the day on which a spreadsheet’s time begins', () => {
    const { clock } = guessTimeUnit(times(600, DAY, 46_000.25), 40);
    expect(clock).toEqual({ kind: 'date', start_s: (46_000.25 - 25_569) * 86_400 });
  });
});
