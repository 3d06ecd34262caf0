import { describe, expect, it } from 'vitest';
import { bad, good, table, warming } from '../testSupport';

const mapping = { 0: { channel: 'time_s', unit: 's' }, 1: { channel: 'ect_c', unit: '°C' } } as const;
const fahrenheit = (c: number): string => (1.8 * c + 32).toFixed(1);

describe('one look at the whole trace', () => {
  const switched = table('time_s,ect_c', 100, (i) => `${5 * i},${i < 50 ? warming(i) : fahrenheit(warming(i))}`);

  it('asks where the unit changes on the way; who chose the columns is told', () => {
    expect(bad(switched)).toMatchObject({
      code: 'needs-mapping',
      message: expect.stringMatching(/line 52 on/) as unknown,
    });
    expect(good(switched, { mapping }).report.notes.join()).toMatch(/as if its unit changed/);
  });

  it('says so too where the second unit is plain by its height', () => {
    const high = table('Time (s),Coolant (°C)', 100, (i) => `${5 * i},${i < 50 ? 40 + i : fahrenheit(40 + i / 2)}`);
    expect(bad(high).message).toMatch(/too high|go over to °F/);
    const exact = table(
      'Time (s),Coolant (°C)',
      100,
      (i) => `${5 * i},${i < 50 ? 40 + i / 2 : fahrenheit(40 + i / 2)}`,
    );
    expect(bad(exact).message).toMatch(/go over to °F on the way, from 65 to 149: split the file there/);
  });

  it('leaves the leaps of a bad sender to the judge', () => {
    const leaping = table(
      'time_s,ect_c',
      100,
      (i) => `${5 * i},${i > 40 && i < 60 ? fahrenheit(warming(i)) : warming(i)}`,
    );
    expect(good(leaping).trace.channels.ect_c[45]).toBeGreaterThan(90);
  });

  it('asks about a coolant that moves as none can', () => {
    const noise = table('time_s,ect_c', 100, (i) => `${i},${(i * 37) % 90}`);
    expect(bad(noise).message).toMatch(/leaps up and down/);
  });

  it('asks about times by which the car would be faster than any', () => {
    const text = table('time (s),ECT (°C),Speed (km/h)', 300, (i) => `${i},${warming(i / 4)},${(i % 3) * 60}`);
    expect(bad(text).message).toMatch(/faster than any/);
  });

  it('asks about a log of several days', () => {
    const text = table('time (s),ECT (°C)', 60, (i) => `${i < 30 ? i : 400_000 + i},${warming(i)}`);
    expect(bad(text).message).toMatch(/lasts 4.6 days/);
  });

  it('remarks on a start below the air, and not on a sender without contact', () => {
    const from = (start: number) => table('time_s,ect_c,iat_c', 60, (i) => `${i},${start + i / 4},25`);
    expect(good(from(-5)).report.notes.join()).toMatch(/no engine is colder/);
    expect(good(table('time_s,ect_c,iat_c', 60, (i) => `${i},-40,${25 - i / 60}`)).report.notes.join()).not.toMatch(
      /colder/,
    );
  });

  it('remarks on engine speeds that are none', () => {
    const text = (rpm: (i: number) => number) =>
      table('time_s,ect_c,speed_kmh,rpm', 60, (i) => `${i},${warming(i)},50,${rpm(i)}`);
    const mixed = good(text((i) => (i % 3 ? 1800 : 1.8)));
    expect(mixed.report.notes.join()).toMatch(/below 100 rpm in 33 %.*left out/);
    expect(mixed.trace.channels.rpm).toBeUndefined();
    expect(mixed.report.ignored).toEqual(['rpm']);
    expect(good(text((i) => (i % 10 ? 1800 : 1.8))).trace.channels.rpm).toBeDefined();
    expect(good(text(() => 400)).report.notes.join()).toMatch(/while the car is driven/);
    expect(good(text(() => 1800)).report.notes).toEqual([]);
  });
});
