import { describe, expect, it } from 'vitest';
import { looksLikeTime, readTimeCell } from './timeCells';

const at = (iso: string): number => Date.parse(`${iso}Z`) / 1000;

describe('readTimeCell', () => {
  it.each<[string, string, number]>([
    ['12.5', 'number', 12.5],
    ['01:02:03', 'clock', 3723],
    ['1:02:03.5', 'clock', 3723.5],
    ['01:02:03,250', 'clock', 3723.25],
    ['12:00:01 AM', 'clock', 1],
    ['12:00:01 p.m.', 'clock', 43_201],
    ['1d 00:00:10', 'clock', 86_410],
    ['26:00:00', 'clock', 93_600],
    ['05:30.5', 'short-clock', 330.5],
    ['2026-01-14T07:30:10', 'stamp', at('2026-01-14T07:30:10')],
    ['2026-01-14 07:30:10.25', 'stamp', at('2026-01-14T07:30:10') + 0.25],
    ['2026-01-14T07:30:10Z', 'stamp', at('2026-01-14T07:30:10')],
    ['2026-01-14T07:30:10+02:00', 'stamp', at('2026-01-14T05:30:10')],
    ['2026-01-14T07:30:10-0530', 'stamp', at('2026-01-14T13:00:10')],
    ['20260114T073010', 'stamp', at('2026-01-14T07:30:10')],
    ['20260114073010', 'stamp', at('2026-01-14T07:30:10')],
    ['14.01.26 07:30', 'stamp', at('2026-01-14T07:30:00')],
    ['14-Jan-2026 07:30:10', 'stamp', at('2026-01-14T07:30:10')],
    ['14. Okt 2026 07:30:10', 'stamp', at('2026-10-14T07:30:10')],
    ['Jan 14, 2026 7:30:10 PM', 'stamp', at('2026-01-14T19:30:10')],
    ['11.17.02', 'dotted-clock', 40_622],
    ['14.01.2026', 'date', at('2026-01-14T00:00:00') / 86_400],
  ])('%s is a %s', (cell, kind, first) => {
    expect(readTimeCell(cell)).toMatchObject({ kind, first });
  });

  it('reads dates both ways and knows which cells prove one', () => {
    const open = readTimeCell('03/04/2026 10:00:00')!;
    expect([open.first, open.second]).toEqual([at('2026-04-03T10:00:00'), at('2026-03-04T10:00:00')]);
    expect(open.proves).toBeNull();
    expect(readTimeCell('14/01/2026 10:00:00')!.proves).toBe('day-month');
    expect(readTimeCell('01/14/2026 10:00:00')!.proves).toBe('month-day');
  });

  it('reads a short clock both ways', () => {
    expect(readTimeCell('07:30')).toMatchObject({ first: 450, second: 27_000 });
    expect(readTimeCell('59:30')!.second).toBeNaN();
  });

  it.each(['', 'monday', '2026-13-45T10:00:00', '31/31/2026 10:00', '12:', 'NaN'])('%j is no time', (cell) => {
    expect(readTimeCell(cell)).toBeNull();
  });

  it.each([
    ['07:30:00', true],
    ['14.01.2026', true],
    ['20260114T073010', true],
    ['12.5', false],
    ['1234', false],
    ['Engine RPM', false],
  ] as const)('%j looks like a time: %s', (cell, yes) => expect(looksLikeTime(cell)).toBe(yes));
});
