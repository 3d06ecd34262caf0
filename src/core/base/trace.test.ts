import { describe, expect, it } from 'vitest';
import { channelSet, countPresent, duration_s, loggedChannels, type Trace } from './trace';

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
});
