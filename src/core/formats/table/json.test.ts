import { describe, expect, it } from 'vitest';
import { bad, good, warming } from '../testSupport';

const rows = Array.from({ length: 40 }, (_, i) => ({ 'time (s)': i, 'coolant (°C)': warming(i) }));
const expected = rows.map((r) => r['coolant (°C)']);

describe('shapes of JSON', () => {
  it.each<[string, unknown]>([
    [
      'by column and index',
      {
        'time (s)': Object.fromEntries(rows.map((r, i) => [i, r['time (s)']])),
        'coolant (°C)': Object.fromEntries(rows.map((r, i) => [i, r['coolant (°C)']])),
      },
    ],
    ['by index', Object.fromEntries(rows.map((r, i) => [i, r]))],
    [
      'by time',
      Object.fromEntries(
        rows.map((r, i) => [`2026-01-14T08:00:${String(i).padStart(2, '0')}`, { 'coolant (°C)': r['coolant (°C)'] }]),
      ),
    ],
    [
      'split',
      { columns: Object.keys(rows[0]!), index: rows.map((_, i) => i), data: rows.map((r) => Object.values(r)) },
    ],
  ])('%s', (_, document) => {
    const { trace } = good(JSON.stringify(document));
    expect([...trace.channels.ect_c]).toEqual(expected);
    expect(trace.time_s.at(-1)).toBe(39);
  });

  it('words for no number that JSON does not know are missing values', () => {
    const text = JSON.stringify(rows)
      .replace('"coolant (°C)":15.5', '"coolant (°C)":NaN')
      .replace('"coolant (°C)":16}', '"coolant (°C)":-Infinity}');
    const { trace } = good(text);
    expect([...trace.channels.ect_c].slice(0, 4)).toEqual([15, NaN, NaN, 16.5]);
    expect(
      good(
        rows
          .map((r) => JSON.stringify(r))
          .join('\n')
          .replace('15.5', 'NaN'),
      ).trace.channels.ect_c[1],
    ).toBeNaN();
  });

  it('nested thousands deep is no reason to fall over', () => {
    const deep = `${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}`;
    const text = JSON.stringify(rows).replace('{"time', `{"deep":${deep},"time`);
    expect([...good(text).trace.channels.ect_c]).toEqual(expected);
  });

  it('a document on one line beyond the limit is refused by name', () => {
    expect(bad(`[${'1,'.repeat(17_000_000)}1]`).message).toMatch(/more than 32 million characters/);
  });
});
