import { describe, expect, it } from 'vitest';
import { runMonitors, type MonitorInput } from './codeMonitors';

const minutes = 25;
const ramp = (from: number, to: number, rise_min: number) =>
  Float64Array.from({ length: minutes * 60 }, (_, i) => Math.min(to, from + ((to - from) * i) / (rise_min * 60)));
const input = (change: Partial<MonitorInput>): MonitorInput => ({
  time_s: Float64Array.from({ length: minutes * 60 }, (_, i) => i),
  reading_c: ramp(10, 89, 8),
  expected_c: ramp(10, 85, 12),
  rated_c: 88,
  start_c: 10,
  intake_c: 10,
  dropouts_s: [],
  ...change,
});
const of = (code: string, change: Partial<MonitorInput>) => runMonitors(input(change)).find((r) => r.code === code);

describe('code monitors', () => {
  it('a sound warm-up sets nothing', () => {
    expect(runMonitors(input({}))).toEqual([{ code: 'P0128', wouldSet: false, at_s: null }]);
  });

  it('P0128 sets when the expected warm-up is over and its grace has passed', () => {
    const result = of('P0128', { reading_c: ramp(10, 60, 10) });
    // Expected reaches 77 °C at 12·(67/75) min, and two minutes of grace follow.
    expect(result).toMatchObject({ wouldSet: true });
    expect(result!.at_s! / 60).toBeCloseTo((12 * 67) / 75 + 2, 0);
  });

  it.each([
    ['too cold a start', { start_c: -15 }],
    ['a hot start', { start_c: 70 }],
    ['too cold intake air', { intake_c: -20 }],
    ['a drive on which even a sound vehicle stays cold', { expected_c: ramp(10, 60, 12) }],
  ])('P0128 does not run on %s', (_, change) => {
    expect(of('P0128', { reading_c: ramp(10, 60, 10), ...change })).toMatchObject({ wouldSet: false });
  });

  it('circuit codes need a lasting rail', () => {
    const railed = ramp(10, 89, 8);
    railed.fill(-40, 100, 103);
    expect(of('P0118', { reading_c: railed })).toBeUndefined();
    railed.fill(-40, 100, 120);
    expect(of('P0118', { reading_c: railed })).toMatchObject({ wouldSet: true, at_s: 105 });
    expect(of('P0117', { reading_c: ramp(140, 140, 1) })).toMatchObject({ wouldSet: true });
  });

  it('P0119 and P0217', () => {
    expect(of('P0119', { dropouts_s: [50, 90] })).toMatchObject({ at_s: 90 });
    expect(of('P0217', { reading_c: ramp(10, 125, 10) })).toMatchObject({ wouldSet: true });
  });
});
