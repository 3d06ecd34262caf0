import { describe, expect, it } from 'vitest';
import { bad, good, table, warming } from '../testSupport';

const rpm = (i: number): number => 760 + 37 * (i % 40);
const dots = (v: number): string => String(v).replace(/\B(?=(\d{3})+$)/g, '.');
const commas = (v: number): string => String(v).replace(/\B(?=(\d{3})+$)/g, ',');
const rpms = (i: number) => Array.from({ length: i }, (_, k) => rpm(k));

describe('what a mark before three digits means', () => {
  it('thousands where whole numbers stand beside it', () => {
    const text = table(
      'Zeit (s);Kühlmitteltemperatur (°C);Motordrehzahl (1/min)',
      60,
      (i) => `${i};${15 + i};${dots(rpm(i))}`,
    );
    expect([...good(text).trace.channels.rpm!]).toEqual(rpms(60));
  });

  it('thousands in an engine speed that would be a few turns a minute else', () => {
    const text = table('t;ECT (°C);Drehzahl (1/min)', 30, (i) => `${i};${15 + i};${dots(1100 + i)}`);
    expect(good(text).trace.channels.rpm![5]).toBe(1105);
  });

  it('decimals in a temperature, however many digits', () => {
    expect(good(table('t,ECT (°C)', 30, (i) => `${i},${(15 + i).toFixed(3)}`)).trace.channels.ect_c[5]).toBe(20);
  });

  it('each column by itself: commas in the times, points in the readings', () => {
    const { trace } = good(
      table(
        'Time (s);ECT (°C);RPM',
        60,
        (i) => `${(100 + 1.25 * i).toFixed(3).replace('.', ',')};${warming(i).toFixed(1)};${rpm(i)}`,
      ),
    );
    expect(trace.time_s.at(-1)).toBeCloseTo(73.75, 9);
    expect(trace.channels.ect_c[10]).toBe(20);
  });

  it('one cut cell does not turn a column', () => {
    const { trace, report } = good(
      table('Time (s);ECT (°C);RPM', 60, (i) => `${i};${warming(i)};${i === 50 ? '1,2' : commas(rpm(i))}`),
    );
    expect(trace.channels.rpm![40]).toBe(rpm(40));
    expect(trace.channels.rpm![50]).toBeNaN();
    expect(report.cleaning).toMatchObject([{ kind: 'unreadable-cells', count: 1, lines: [52] }]);
  });

  it('seconds from the thousandth on with a mark, with decimals and without', () => {
    const whole = good(table('Zeit (s);ECT (°C)', 120, (i) => `${dots(10 * i)};${15 + Math.floor(i / 2)}`));
    expect(whole.trace.time_s.at(-1)).toBe(1190);
    const decimal = good(
      table('Zeit (s);ECT (°C)', 120, (i) => `${dots(10 * i)},00;${String(warming(i)).replace('.', ',')}`),
    );
    expect(decimal.trace.time_s.at(-1)).toBe(1190);
  });

  it('stays open in times that run on either way, until a person says', () => {
    const text = table('t (s);ECT (°C)', 60, (i) => `1,${200 + 5 * i};${15 + Math.floor(i / 30)}`);
    expect(bad(text)).toMatchObject({ code: 'needs-mapping', question: { numbersOpen: true } });
    const seconds = (decimalComma: boolean) =>
      good(text, { numbers: { decimalComma, grouped: !decimalComma } }).trace.time_s.at(-1)!;
    expect(seconds(true)).toBeCloseTo(0.295, 9);
    expect(seconds(false)).toBe(295);
  });
});

describe('a unit behind a number', () => {
  it('is the column’s where most cells carry it', () => {
    const { trace } = good(table('t,coolant', 40, (i) => `${i},${59 + i} F`));
    expect(trace.channels.ect_c[9]).toBeCloseTo(20);
  });

  it('makes a lone cell doubtful and converts nothing', () => {
    const { trace, report } = good(table('t,coolant (°C)', 40, (i) => `${i},${15 + i}${i === 10 ? ' F' : ''}`));
    expect(trace.channels.ect_c[9]).toBe(24);
    expect(trace.channels.ect_c[10]).toBeNaN();
    expect(report.cleaning).toMatchObject([{ kind: 'unreadable-cells', lines: [12] }]);
  });
});
