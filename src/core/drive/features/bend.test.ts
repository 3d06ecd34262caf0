import { describe, expect, it } from 'vitest';
import { smoothed, type DriveSeries } from '../driveSeries';
import { findBend } from './bend';

const time_s = Float64Array.from({ length: 1500 }, (_, i) => i);
/** 6 K a minute up to 88 °C at 800 s, then level; read in whole degrees. */
const bent = time_s.map((t) => Math.round(t < 800 ? 8 + t / 10 : 88 + (t - 800) / 600));

function find(reading_c: Float64Array, hint: Parameters<typeof findBend>[2], fuel_kw = time_s.map(() => 25)) {
  const series = { time_s, reading_c, fuel_kw, rounding_k: 1 } as unknown as DriveSeries;
  return findBend(series, smoothed(series), hint);
}
const sure = { share: 0.99, at_s: 805, sd_s: 4 };

describe('the bend of a climb', () => {
  it('is where trace and models agree, with its temperature and how well both are known', () => {
    const { found } = find(bent, sure);
    expect(Math.abs(found!.at_s - 800)).toBeLessThan(12);
    expect(Math.abs(found!.reading_c - 88)).toBeLessThan(1);
    expect(found!.atSd_s).toBeGreaterThan(5);
    expect(found!.readingSd_k).toBeGreaterThan(0.3);
  });

  it.each([
    ['not judged', null, /not been judged/],
    ['it does not open', { share: 0.02, at_s: null, sd_s: 0 }, /does not open/],
    ['open whether it opens', { share: 0.5, at_s: 800, sd_s: 3 }, /disagrees/],
    ['at different times', { share: 0.99, at_s: 800, sd_s: 60 }, /different times/],
    ['the trace does not bend there', { share: 0.99, at_s: 400, sd_s: 2 }, /no clear bend/],
  ])('is not told: %s', (_, hint, why) => {
    const { found, why: said } = find(bent, hint);
    expect(found).toBeNull();
    expect(said).toMatch(why);
  });

  it('a foot lifted is no bend: the climb flattens because the heat does', () => {
    const fuel = time_s.map((t) => (t < 800 ? 25 : 4));
    // Heat reaches the coolant half a minute late, 0.1 K a second at 25 kW and in proportion below.
    let late = 25 ** 0.87;
    let level = 8;
    const lifted = fuel.map((f) => {
      late += (f ** 0.87 - late) / 30;
      level += (0.1 * late) / 25 ** 0.87;
      return Math.round(level);
    });
    const sharp = find(lifted, sure, fuel).found;
    expect(sharp).toBeNull();
  });

  it('two bends as sharp: which is the opening cannot be told', () => {
    const twice = time_s.map((t) => Math.round(t < 400 ? 8 + t / 6 : t < 800 ? 74.7 + (t - 400) / 20 : 94.7));
    const { found, why } = find(twice, sure);
    expect(found).toBeNull();
    expect(why).toMatch(/bends as sharply earlier/);
  });
});
