import { describe, expect, it } from 'vitest';
import { good, table, warming } from '../testSupport';

/** A log of a row every ten seconds with some time cells replaced. */
const withTimes = (header: string, times: Readonly<Record<number, string>>, at = (i: number) => String(10 * i)) =>
  table(`${header},ECT (°C)`, 80, (i) => `${times[i] ?? at(i)},${warming(i)}`);

describe('damaged times', () => {
  it.each<[string, string, Record<number, string>]>([
    ['a digit too many', 'time (s)', { 40: '4000' }],
    ['a digit changed', 'time (s)', { 40: '100' }],
    ['as large as numbers get', 'time (s)', { 40: '1e308' }],
    ['the first', 'time (s)', { 0: '1e12' }],
    ['the last', 'time (s)', { 79: '9999999' }],
    ['two together', 'time (s)', { 40: '7', 41: '8' }],
  ])('%s: those rows alone are left out, and it is said', (_, header, times) => {
    const { trace, report } = good(withTimes(header, times));
    const wrong = Object.keys(times).map(Number);
    const kept = Array.from({ length: 80 }, (__, i) => i).filter((i) => !wrong.includes(i));
    expect([...trace.channels.ect_c]).toEqual(kept.map(warming));
    expect([...trace.time_s]).toEqual(kept.map((i) => 10 * (i - kept[0]!)));
    expect(report.cleaning).toMatchObject([
      { kind: 'wrong-time', count: wrong.length, lines: wrong.map((i) => i + 2) },
    ]);
  });

  it('a date of 1970 at the beginning does not stretch a log over fifty years', () => {
    const stamp = (i: number): string => new Date(Date.UTC(2026, 0, 14, 8, 0, 10 * i)).toISOString().slice(0, 19);
    const { report } = good(withTimes('Time', { 0: '1970-01-01T00:00:00' }, stamp));
    expect(report.duration_s).toBe(780);
    expect(report.cleaning.map((c) => c.kind)).toEqual(['wrong-time']);
  });

  it('clocks with dots are clocks, not dates', () => {
    const two = (n: number): string => String(n).padStart(2, '0');
    const clock = (i: number): string => `11.${two(17 + Math.floor(i / 6))}.${two((10 * i) % 60)}`;
    const { report } = good(withTimes('Time', {}, clock));
    expect(report).toMatchObject({ duration_s: 790, clock: { kind: 'day', start_s: 11 * 3600 + 17 * 60 } });
  });

  it('a damaged clock cell is no midnight', () => {
    const two = (n: number): string => String(n).padStart(2, '0');
    const clock = (i: number): string => `08:${two(Math.floor(i / 6))}:${two((10 * i) % 60)}`;
    expect(good(withTimes('Time', { 30: '23:05:00' }, clock)).report.duration_s).toBe(790);
  });

  it('by choice the times are taken as they are', () => {
    const read = good(withTimes('time (s)', { 79: '99999' }), { otherwise: ['wrong-time'] });
    expect(read.report.duration_s).toBe(99_999);
  });

  it('a row that only stands elsewhere keeps its time', () => {
    const lines = withTimes('time (s)', {}).split('\n');
    const [row] = lines.splice(30, 1);
    lines.splice(60, 0, row!);
    const { trace, report } = good(lines.join('\n'));
    expect([...trace.channels.ect_c]).toEqual(Array.from({ length: 80 }, (_, i) => warming(i)));
    expect(report.cleaning.map((c) => c.kind)).toEqual(['out-of-order']);
  });
});

describe('rows of one clock second', () => {
  it('are spread within it, not merged', () => {
    const second = (i: number): number => (i === 20 ? 19 : i);
    const { trace, report } = good(
      table('Time,ECT (°C)', 50, (i) => `11:17:${String(second(i)).padStart(2, '0')},${warming(i)}`),
    );
    expect(trace.time_s).toHaveLength(50);
    expect(trace.time_s[20]).toBeGreaterThan(19);
    expect(trace.time_s[20]).toBeLessThan(21);
    expect(report.cleaning.map((c) => c.kind)).toEqual(['coarse-clock']);
  });
});
