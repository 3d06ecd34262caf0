import { describe, expect, it } from 'vitest';
import { bad, good, table, warming } from '../testSupport';

const HEADER = 'Time (s),ECT (°C),IAT (°C),RPM,Speed (km/h)';
const cells = (i: number): string[] => [String(10 * i), warming(i).toFixed(1), '30', String(760 + 37 * (i % 40)), '40'];

describe('rows of another width than the header', () => {
  it('a few are left out, counted and shown; by choice they are read', () => {
    const text = table(HEADER, 100, (i) =>
      cells(i)
        .filter((_, k) => i % 10 !== 3 || k !== 1)
        .join(),
    );
    const { trace, report } = good(text);
    expect(trace.time_s).toHaveLength(90);
    expect(report.cleaning).toMatchObject([
      { kind: 'other-width', count: 10, lines: [5, 15, 25, 35, 45, 55, 65, 75, 85, 95] },
    ]);
    expect(good(text, { otherwise: ['other-width'] }).report.rows).toBe(100);
  });

  it('where all are, a person must say', () => {
    const text = table(`Latitude,${HEADER}`, 60, (i) => cells(i).join());
    expect(bad(text).message).toMatch(/60 of 60 rows have another number of cells.*line 2/);
    const mapping = { 0: { channel: 'time_s', unit: 's' }, 1: { channel: 'ect_c', unit: '°C' } } as const;
    const { trace, report } = good(text, { mapping });
    expect(trace.channels.ect_c[10]).toBe(warming(10));
    expect(report.cleaning).toMatchObject([{ kind: 'other-width', applied: false }]);
  });

  it('names or numbers of rows in front are no shift', () => {
    const { trace, report } = good(table(HEADER, 60, (i) => `${i + 1},${cells(i).join()}`));
    expect(trace.channels.ect_c[10]).toBe(warming(10));
    expect(report.notes.join()).toMatch(/begins with a name or a number/);
  });

  it('a decimal comma behind a count of seconds is no name of a row', () => {
    const text = table('Time (s),ECT (°C)', 60, (i) => `${i},${String(warming(i).toFixed(1)).replace('.', ',')}`);
    expect(bad(text)).toMatchObject({ code: 'ragged-rows' });
  });

  it('remarks at the end may be left off', () => {
    const text = table(`${HEADER},Remarks`, 60, (i) => `${cells(i).join()}${i === 7 ? ',fan on' : ''}`);
    const { report } = good(text);
    expect(report.cleaning).toEqual([]);
    expect(report.marks).toEqual([{ at_s: 70, text: 'fan on' }]);
  });
});

describe('headers in odd places', () => {
  it('rows above one are data where they look it', () => {
    const rows = Array.from({ length: 60 }, (_, i) => cells(i).join());
    const { trace, report } = good(['', ...rows.slice(0, 30), HEADER, ...rows.slice(30), ''].join('\n'));
    expect(trace.time_s).toHaveLength(60);
    expect(report.notes.join()).toMatch(/30 rows stand above the header on line 32/);
  });

  it('one that comes again with fewer names shifts nothing', () => {
    const text = 'time,coolant (°C),rpm\n0,20,800\n1,21,810\ncoolant (°C)\n2,22,820\n3,23,830\n';
    expect([...good(text).trace.channels.ect_c]).toEqual([20, 21, 22, 23]);
  });

  it('one that names a column twice may come again', () => {
    const part = table('time,coolant (°C),rpm,rpm', 30, (i) => `${i},${20 + i},800,801`);
    expect(good(part + part.split('\n')[0] + '\n').report.cleaning.map((c) => c.kind)).toEqual(['repeated-header']);
  });

  it('one that comes again in another order is followed', () => {
    const text =
      table('time,coolant (°C),rpm', 4, (i) => `${i},${20 + i},800`) +
      table('rpm,time,coolant (°C)', 4, (i) => `900,${4 + i},${24 + i}`);
    expect([...good(text).trace.channels.ect_c]).toEqual([20, 21, 22, 23, 24, 25, 26, 27]);
  });

  it('one of another table ends the file', () => {
    const text =
      table('time,coolant (°C),rpm', 30, (i) => `${i},${20 + i},800`) +
      table('Speed (km/h),Load (%),Oil temp (°C)', 30, () => '1,2,3');
    expect(bad(text)).toMatchObject({ code: 'ragged-rows', line: 32 });
  });
});
