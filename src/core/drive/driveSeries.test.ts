import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { prepareInputs } from '../twin';
import { driveSeries, smoothed } from './driveSeries';
import { TEST_VEHICLE, testTrace } from '../../../tests/support/testDrive';

const seriesOf = (trace: ReturnType<typeof testTrace>) => driveSeries(trace, prepareInputs(trace, TEST_VEHICLE));

describe('a drive on one grid', () => {
  it('begins at 0 with one entry a second, whatever the log’s steps', () => {
    const { time_s, channels } = testTrace(301, { ect_c: (t) => 20 + t / 10, speed_kmh: (t) => t });
    const rare = time_s.filter((_, i) => i % 3 === 0).map((t) => t + 40);
    const pick = (v: Float64Array) => v.filter((_, i) => i % 3 === 0);
    const series = seriesOf({
      time_s: rare,
      channels: { ect_c: pick(channels.ect_c), speed_kmh: pick(channels.speed_kmh!) },
    });
    expect(series.time_s).toHaveLength(301);
    expect(series.reading_c[100]).toBeCloseTo(30, 9);
    expect(series.speed_kmh![250]).toBeCloseTo(250, 9);
    expect(series.rpm).toBeNull();
  });

  it('keeps holes of a log open and bridges short ones', () => {
    const trace = testTrace(600, { ect_c: (t) => ((t > 100 && t < 200) || (t > 400 && t < 430) ? NaN : 50) });
    const { reading_c } = seriesOf(trace);
    expect(reading_c.slice(102, 199).every(Number.isNaN)).toBe(true);
    expect(reading_c.slice(400, 431).every((v) => v === 50)).toBe(true);
  });

  it('tells whole degrees from tenths', () => {
    expect(seriesOf(testTrace(60, { ect_c: (t) => Math.round(t / 3) })).rounding_k).toBe(1);
    expect(seriesOf(testTrace(60, { ect_c: (t) => Math.round(t * 3.1) / 10 })).rounding_k).toBe(0.1);
  });

  it('has fuel power where something tells it, and none for temperature alone', () => {
    const air = testTrace(300, { ect_c: () => 50, maf_gps: () => 14.7, rpm: () => 2000 });
    expect(seriesOf(air).fuel_kw![150]).toBeCloseTo(43.5, 1);
    expect(seriesOf(testTrace(300, { ect_c: () => 50 })).fuel_kw).toBeNull();
  });
});

describe('smoothing', () => {
  it('gives a straight line and its slope back exactly', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 120, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (a, b) => {
          const { level_c, slope } = smoothed({ reading_c: Float64Array.from({ length: 90 }, (_, t) => a + b * t) });
          for (const t of [0, 1, 44, 88, 89]) {
            expect(level_c[t]).toBeCloseTo(a + b * t, 6);
            expect(slope[t]).toBeCloseTo(b, 6);
          }
        },
      ),
    );
  });

  it('takes the steps out of whole degrees, and says nothing where the reading is missing', () => {
    const reading_c = Float64Array.from({ length: 200 }, (_, t) => (t > 90 && t < 160 ? NaN : Math.round(20 + t / 20)));
    const { level_c } = smoothed({ reading_c });
    expect(Math.abs(level_c[50]! - 22.5)).toBeLessThan(0.3);
    expect(level_c[125]).toBeNaN();
  });
});
