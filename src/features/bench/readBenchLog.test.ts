import { describe, expect, it } from 'vitest';
import { parseBenchLog } from './readBenchLog';

const taken = (text: string, wanted: 'temperature' | 'any' = 'any') => {
  const read = parseBenchLog(text, wanted);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};
const refused = (text: string, wanted: 'temperature' | 'any' = 'any') => {
  const read = parseBenchLog(text, wanted);
  if (read.ok) throw new Error('it was taken');
  return read.error;
};

describe('a bench log', () => {
  it.each([
    ['seconds and commas', 'time_s,water °C\n10,20\n20,21.5\n30,23\n'],
    ['semicolons and decimal commas', 'Time (s);Temp °C\n10;20\n20;21,5\n30;23\n'],
    ['a preamble', 'Logger 3\nserial 8\ntime;temperature\n10;20\n20;21.5\n30;23'],
    ['minutes', 'time min,water °C\n0.5,20\n0.6666666667,21.5\n0.8333333333,23'],
    ['milliseconds', 'time ms,water °C\n10000,20\n20000,21.5\n30000,23'],
    ['clock times', 'time,water °C\n10:00:10,20\n10:00:20,21.5\n10:00:30,23'],
    ['dates and times', 'time,water °C\n2026-03-02 10:00:10,20\n2026-03-02 10:00:20,21.5\n2026-03-02 10:00:30,23'],
    ['minutes and seconds', 'time,water °C\n0:10,20\n0:20,21.5\n0:30,23'],
    ['°F', 'time_s,water °F\n10,68\n20,70.7\n30,73.4'],
    ['a moment written twice', 'time_s,water °C\n10,20\n20,21.5\n20,22\n30,23'],
    ['other columns beside', 'time_s,battery,water °C\n10,9,20\n20,9,21.5\n30,9,23'],
  ])('%s', (_, text) => {
    const log = taken(text, 'temperature');
    expect(log.unit).toBe('°C');
    [0, 10, 20].forEach((t, i) => expect(log.time_s[i]).toBeCloseTo(t, 5));
    [20, 21.5, 23].forEach((v, i) => expect(log.values[i]).toBeCloseTo(v, 5));
  });

  it('goes on over midnight, and keeps a hole as one', () => {
    const log = taken('time,water °C\n23:59:50,20\n23:59:55,\n00:00:00,21\n00:00:10,22');
    expect(log.time_s).toEqual([0, 5, 10, 20]);
    expect(log.values[1]).toBeNaN();
  });

  it('takes ohms and volts where they are wanted', () => {
    expect(taken('time_s,R (Ω)\n0,2500\n1,2400\n2,2500').unit).toBe('Ω');
    expect(taken('time_s,pin [V]\n0,2.5\n1,2.4\n2,2.5').unit).toBe('V');
    expect(refused('time_s,R (Ω)\n0,2500\n1,2400\n2,2500', 'temperature')).toMatch(/No column of temperature/);
  });

  it.each([
    ['too few rows', 'time_s,water °C\n0,20\n', /fewer than three/],
    ['no headers', '0,20\n1,21\n2,22\n3,23', /must name the columns/],
    ['no time', 'a,water °C\n0,20\n1,21\n2,22', /No column of time among a, water °C/],
    ['a word for a time', 'time_s,water °C\n0,20\nsoon,21\n2,22', /Line 3: “soon” is not a time/],
    ['time that goes back', 'time_s,water °C\n0,20\n9,21\n2,22', /Line 4: the time goes back/],
  ])('%s is told with its place', (_, text, says) => {
    expect(refused(text)).toMatch(says);
  });
});
