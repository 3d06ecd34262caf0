import { describe, expect, it } from 'vitest';
import {
  channelSet,
  countPresent,
  duration_s,
  loggedChannels,
  logPrint,
  presentAtLeast,
  sinceStart_s,
  type Trace,
} from './trace';

const trace = (extra: Partial<Record<string, number[]>> = {}): Trace => ({
  time_s: Float64Array.of(0, 1, 2),
  channels: {
    ect_c: Float64Array.of(20, NaN, 21),
    ...Object.fromEntries(Object.entries(extra).map(([k, v]) => [k, Float64Array.from(v!)])),
  },
});

describe('trace', () => {
  it('counts what is there', () => {
    expect(countPresent(trace().channels.ect_c)).toBe(2);
    expect(countPresent(undefined)).toBe(0);
    expect(duration_s(trace())).toBe(2);
    expect(duration_s({ time_s: new Float64Array(1), channels: { ect_c: new Float64Array(1) } })).toBe(0);
  });

  it('knows how much was logged', () => {
    expect(channelSet(trace())).toBe('temperature-only');
    expect(channelSet(trace({ rpm: [700, 800, 900] }))).toBe('basic');
    expect(channelSet(trace({ load_pct: [20, 30, 30] }))).toBe('full');
    expect(channelSet(trace({ load_pct: [NaN, NaN, 3] }))).toBe('temperature-only');
    expect(loggedChannels(trace({ rpm: [1, 2, 3], oil_c: [NaN, NaN, NaN] }))).toEqual(['ect_c', 'rpm']);
  });

  it('knows whether enough is there, and counts from its first row', () => {
    const values = Float64Array.of(NaN, 1, NaN, 2);
    expect([0, 1, 2, 3].map((least) => presentAtLeast(values, least))).toEqual([true, true, true, false]);
    expect(presentAtLeast(undefined, 1)).toBe(false);
    const time_s = Float64Array.of(3, 4, 6);
    expect([...sinceStart_s({ time_s })]).toEqual([0, 1, 3]);
    expect(sinceStart_s({ time_s })).toBe(sinceStart_s({ time_s }));
    const begun = Float64Array.of(0, 1);
    expect(sinceStart_s({ time_s: begun })).toBe(begun);
  });
});

describe('the print of a log', () => {
  const time_s = Float64Array.of(0, 1, 2, 3);
  const ect_c = Float64Array.of(20, NaN, 21, 21.5);
  const print = logPrint({ time_s, channels: { ect_c } });

  it('is the same wherever its clock begins, whatever else was logged, and whatever a missing sample looks like', () => {
    const later = time_s.map((t) => t + 1000);
    const odd = Float64Array.from(ect_c);
    new Uint32Array(odd.buffer)[2] = 12345;
    expect(odd[1]).toBeNaN();
    expect(logPrint({ time_s: later, channels: { ect_c: odd, rpm: Float64Array.of(1, 2, 3, 4) } })).toBe(print);
    // A part of a larger buffer.
    const part = Float64Array.of(9, ...ect_c).subarray(1);
    expect(logPrint({ time_s, channels: { ect_c: part } })).toBe(print);
  });

  it('is another with one reading, one time or one row more', () => {
    const prints = [
      { time_s, channels: { ect_c: Float64Array.of(20, NaN, 21, 21.6) } },
      { time_s, channels: { ect_c: Float64Array.of(20, 21, NaN, 21.5) } },
      { time_s: Float64Array.of(0, 1, 2, 3.1), channels: { ect_c } },
      { time_s: Float64Array.of(0, 1, 2), channels: { ect_c: ect_c.slice(0, 3) } },
    ].map(logPrint);
    expect(new Set([print, ...prints]).size).toBe(5);
  });

  it('of a log of days is told by rows spread over all of it', () => {
    const many = Float64Array.from({ length: 200_000 }, (_, i) => i);
    const other = many.map((v, i) => (i >= 100_000 ? v + 1 : v));
    expect(logPrint({ time_s: many, channels: { ect_c: many } })).not.toBe(
      logPrint({ time_s: many, channels: { ect_c: other } }),
    );
  });
});
