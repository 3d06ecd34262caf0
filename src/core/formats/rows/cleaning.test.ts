import { describe, expect, it } from 'vitest';
import { readTrace, type CleaningKind, type ImportReport } from '..';

const N = 60;
const ect = (i: number): number => 20 + 0.5 * i;
const line = (i: number): string => `${i},${ect(i)},${1200 + ((37 * i) % 400)},${40 + (i % 9)}`;
const HEADER = 'time (s),coolant (°C),rpm,speed (km/h)';
const lines = (): string[] => Array.from({ length: N }, (_, i) => line(i));

function read(rows: readonly string[], otherwise: CleaningKind[] = []) {
  const result = readTrace(`${[HEADER, ...rows].join('\n')}\n`, { otherwise });
  if (!result.ok) throw new Error(`${result.error.code}: ${result.error.message}`);
  return result.value;
}
const found = (report: ImportReport, kind: CleaningKind) => report.cleaning.find((c) => c.kind === kind);
const known = Array.from({ length: N }, (_, i) => ect(i));

describe('cleaning: counted, with its lines, and reversible', () => {
  it('leaves a clean log alone', () => expect(read(lines()).report.cleaning).toEqual([]));

  it('a row twice is taken once, or by choice kept', () => {
    const rows = lines();
    rows.splice(10, 0, rows[10]!);
    const { trace, report } = read(rows);
    expect([...trace.channels.ect_c]).toEqual(known);
    expect(found(report, 'duplicate-rows')).toMatchObject({ count: 1, lines: [13], applied: true });
    const other = read(rows, ['duplicate-rows']);
    expect(other.trace.time_s).toHaveLength(N + 1);
    expect([...other.trace.time_s].slice(9, 13)).toEqual([9, 10, 10.5, 11]);
    expect(found(other.report, 'duplicate-rows')).toMatchObject({ count: 1, lines: [13], applied: false });
  });

  it('two rows of one time that differ: the first, or by choice the last', () => {
    const rows = lines();
    rows.splice(11, 0, '10,99,1500,41');
    expect(read(rows).trace.channels.ect_c[10]).toBe(25);
    const other = read(rows, ['same-time']);
    expect(other.trace.channels.ect_c[10]).toBe(99);
    expect(found(other.report, 'same-time')).toMatchObject({ count: 1, applied: false });
  });

  it('stragglers are put back, or by choice left out', () => {
    const rows = lines();
    rows.push(rows.splice(20, 1)[0]!);
    expect([...read(rows).trace.channels.ect_c]).toEqual(known);
    const other = read(rows, ['out-of-order']);
    expect(other.trace.time_s).toHaveLength(N - 1);
    expect(found(other.report, 'out-of-order')).toMatchObject({ count: 1, lines: [61], applied: false });
  });

  it('impossible values are left out, or by choice kept', () => {
    const rows = lines();
    rows[30] = '30,6553.5,1500,41';
    expect(read(rows).trace.channels.ect_c[30]).toBeNaN();
    expect(read(rows, ['impossible-values']).trace.channels.ect_c[30]).toBe(6553.5);
  });

  it('a hole is told with its length', () => {
    const rows = [...lines().slice(0, 20), ...lines().slice(40)];
    expect(found(read(rows).report, 'gap')).toMatchObject({
      count: 1,
      lines: [22],
      what: expect.stringMatching(/21 s/),
    });
  });

  it('of a log with holes the longest stretch can be kept alone', () => {
    const rows = [...lines().slice(0, 8), ...lines().slice(20, 32), ...lines().slice(45)];
    const other = read(rows, ['gap']);
    expect([...other.trace.channels.ect_c]).toEqual(known.slice(45));
    expect(other.trace.time_s[0]).toBe(0);
    expect(found(other.report, 'gap')).toMatchObject({ count: 2, applied: true, otherwise: 'Keep all rows' });
    // Where there is no hole the choice changes nothing.
    expect([...read(lines(), ['gap']).trace.channels.ect_c]).toEqual(known);
  });

  it('a line without a time is left out, or by choice placed between its neighbours', () => {
    const rows = lines();
    rows[20] = rows[20]!.replace(/^\d+/, '');
    rows[21] = rows[21]!.replace(/^\d+/, '');
    expect(read(rows).trace.time_s).toHaveLength(N - 2);
    const other = read(rows, ['lines-without-time']);
    expect([...other.trace.time_s]).toEqual(Array.from({ length: N }, (_, i) => i));
    expect([...other.trace.channels.ect_c]).toEqual(known);
    expect(found(other.report, 'lines-without-time')).toMatchObject({ count: 2, lines: [22, 23], applied: false });
  });

  it('a line without a time at either end has no neighbours and stays out', () => {
    const rows = lines();
    rows[0] = rows[0]!.replace(/^\d+/, '');
    rows[N - 1] = rows[N - 1]!.replace(/^\d+/, '');
    expect([...read(rows, ['lines-without-time']).trace.channels.ect_c]).toEqual(known.slice(1, -1));
  });

  it('a clock set back is closed, or by choice ends the log', () => {
    const rows = lines().map((row, i) => (i < 30 ? row : row.replace(/^\d+/, String(i - 25))));
    const { trace, report } = read(rows);
    expect([...trace.time_s]).toEqual(Array.from({ length: N }, (_, i) => i));
    expect(found(report, 'clock-set-back')).toMatchObject({ count: 1, lines: [32] });
    const other = read(rows, ['clock-set-back']);
    expect([...other.trace.channels.ect_c]).toEqual(known.slice(0, 30));
    expect(found(other.report, 'clock-set-back')).toMatchObject({ count: 1, lines: [32], applied: false });
  });

  it('a clock set forward under a warm engine is closed, or by choice left', () => {
    const warm = Array.from(
      { length: N },
      (_, i) => `${i < 30 ? i : i + 7200},88,${1500 + ((7 * i) % 90)},${50 + (i % 5)}`,
    );
    expect(read(warm).trace.time_s.at(-1)).toBe(N - 1);
    const other = read(warm, ['clock-set-forward']);
    expect(other.trace.time_s.at(-1)).toBe(7259);
    expect(found(other.report, 'clock-set-forward')).toMatchObject({ applied: false });
  });

  it('a hole in which the engine cooled stays a hole', () => {
    const rows = lines().map((row, i) => (i < 30 ? row : row.replace(/^\d+,[\d.]+/, `${i + 7200},12`)));
    expect(found(read(rows).report, 'clock-set-forward')).toBeUndefined();
  });

  it('a frozen log on the road is told and kept, or by choice left out', () => {
    const rows = lines().map((row, i) => (i >= 20 && i < 40 ? row.replace(/^\d+,.*/, `${i},30,1480,44`) : row));
    const { trace, report } = read(rows);
    expect(found(report, 'stale-repeats')).toMatchObject({ count: 19, applied: false });
    expect(trace.channels.ect_c[30]).toBe(30);
    expect(read(rows, ['stale-repeats']).trace.channels.ect_c[30]).toBeNaN();
  });

  it('standing still at idle is no frozen log', () => {
    const rows = lines().map((row, i) => (i >= 20 && i < 40 ? `${i},30,750,0` : row));
    expect(found(read(rows).report, 'stale-repeats')).toBeUndefined();
  });

  it('rows of a coarse clock are spread, the first second from its end', () => {
    const rows = Array.from({ length: 36 }, (_, i) => `${Math.floor((i + 2) / 4)},${20 + i / 10},1200,40`);
    const { trace, report } = read(rows);
    expect([...trace.time_s].slice(0, 6)).toEqual([0, 0.25, 0.5, 0.75, 1, 1.25]);
    expect(found(report, 'coarse-clock')).toMatchObject({ applied: true });
    const other = read(rows, ['coarse-clock']);
    expect([...other.trace.time_s].slice(0, 4)).toEqual([0, 1, 2, 3]);
    expect([...other.trace.channels.ect_c].slice(0, 3)).toEqual([20, 20.2, 20.6]);
    expect(found(other.report, 'coarse-clock')).toMatchObject({ applied: false, otherwise: 'Spread them' });
  });

  it('rows that complete each other are one row', () => {
    const rows = lines().flatMap((row) => {
      const [t, c, r, v] = row.split(',');
      return [`${t},${c},,`, `${t},,${r},${v}`];
    });
    const { trace, report } = read(rows);
    expect([...trace.channels.ect_c]).toEqual(known);
    expect(trace.channels.rpm![5]).toBe(1385);
    expect(report.cleaning).toEqual([]);
  });
});

describe('what cleaning refuses', () => {
  const refusal = (rows: readonly string[]) => {
    const result = readTrace(`${[HEADER, ...rows].join('\n')}\n`);
    if (result.ok) throw new Error('was read');
    return result.error;
  };

  it('two drives in one file, with the line', () => {
    const second = lines().map((row, i) => row.replace(/,[\d.]+/, `,${ect(i) + 0.25}`));
    expect(refusal([...lines(), ...second])).toMatchObject({ code: 'time-backwards', line: 62 });
  });

  it('times that are steps from row to row', () => {
    const rows = lines().map((row, i) => row.replace(/^\d+/, String(((i * 7) % 11) / 10)));
    expect(refusal(rows).code).toMatch(/time-backwards|needs-mapping/);
  });

  it('a coolant that no engine could warm so fast', () => {
    const rows = lines().map((row, i) => row.replace(/^\d+/, String(i / 1000)));
    expect(refusal(rows)).toMatchObject({ code: 'needs-mapping', message: expect.stringMatching(/would rise by/) });
  });

  it('rows of which too many carry no time', () => {
    const rows = lines().map((row, i) => (i % 2 ? row.replace(/^\d+/, '') : row));
    expect(refusal(rows)).toMatchObject({ code: 'no-time', message: expect.stringMatching(/30 of 60 rows/) });
  });
});
