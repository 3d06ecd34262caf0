import { describe, expect, it } from 'vitest';
import type { ChannelName, Trace } from '../../base';
import { startingVehicle } from '../../planning';
import { prepareInputs } from '../../twin';
import { bandFigures } from './bandFigures';
import { courseFigures } from './courseFigures';
import { CELL_S, driveGrid } from './driveGrid';
import { meanWhere, rangeWhere, sdWhere, slopeWhere } from './figure';
import { fitFigures, type FitSummary } from './fitFigures';
import { otherSensorFigures } from './otherSensorFigures';
import { responseFigures } from './responseFigures';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const rated = vehicle.thermostat.rated_c;
const MINUTES = 30;
const course = (f: (t: number) => number) => Float64Array.from({ length: 60 * MINUTES }, (_, t) => f(t));
const traceOf = (ect_c: Float64Array, more: Partial<Record<ChannelName, Float64Array>> = {}): Trace => ({
  time_s: course((t) => t),
  channels: { ect_c, ...more },
});
/** 10 °C to the rating in ten minutes, then held. */
const warmUp = course((t) => Math.min(rated, 10 + ((rated - 10) * t) / 600));
const gridOf = (trace: Trace) => driveGrid(trace, vehicle, prepareInputs(trace, vehicle));

describe('figures over cells', () => {
  const values = Float64Array.of(1, NaN, 3, 5);
  const all = () => true;
  it('leave out what is missing and what does not hold', () => {
    expect(meanWhere(values, all)).toBe(3);
    expect(meanWhere(values, (k) => k > 5)).toBeNaN();
    expect(sdWhere(values, all)).toBeCloseTo(2, 12);
    expect(rangeWhere(values, (k) => k < 3)).toEqual({ low: 1, high: 3 });
    expect(rangeWhere(values, () => false).low).toBeNaN();
  });

  it('a slope needs a spread to stand on', () => {
    const x = Float64Array.from({ length: 20 }, (_, k) => k);
    expect(
      slopeWhere(
        x.map((v) => 2 * v + 1),
        x,
        all,
        1,
      ),
    ).toBeCloseTo(2, 12);
    expect(
      slopeWhere(
        x,
        x.map(() => 4),
        all,
        1,
      ),
    ).toBeNaN();
  });
});

describe('the grid of a drive', () => {
  it('bridges the holes of a slow logger, not those of a lost sensor', () => {
    const every = (s: number) => gridOf(traceOf(warmUp.map((v, t) => (t % s === 0 ? v : NaN)))).ect_c;
    expect(Array.from(every(40)).slice(0, 100).filter(Number.isNaN).length).toBe(0);
    const lost = gridOf(traceOf(warmUp.map((v, t) => (t > 300 && t < 600 ? NaN : v)))).ect_c;
    expect(lost[45]!).toBeNaN();
  });

  it('calls a drive warm from where it comes near its rating', () => {
    const grid = gridOf(traceOf(warmUp));
    expect(grid.late(30)).toBe(false);
    expect(grid.late(58)).toBe(true);
    const never = gridOf(traceOf(course(() => 20)));
    expect(never.late(never.cells - 1)).toBe(true);
    expect(never.late(0)).toBe(false);
  });
});

describe('figures of a drive', () => {
  it('tell the pace, the bend and the level', () => {
    const f = courseFigures(gridOf(traceOf(warmUp)));
    expect(f['late q50']!).toBeCloseTo(0, 0);
    expect(f['climb 30 50']!).toBeCloseTo(Math.log(600 / (rated - 10)), 0);
    expect(Math.abs(f['bend at']!)).toBeLessThan(8);
    expect(f['last slope']!).toBeCloseTo(0, 6);
    expect(f['climb -15 10']!).toBeNaN();
    const low = courseFigures(gridOf(traceOf(warmUp.map((v) => Math.min(v, rated - 20)))));
    expect(low['late q50']!).toBeCloseTo(-20, 0);
    expect(low['share far under']!).toBe(1);
  });

  it('tell how the level answers to the road', () => {
    const speed_kmh = course((t) => (Math.floor(t / 300) % 2 === 0 ? 0 : 100));
    const sags = warmUp.map((v, t) => (t > 700 ? v - 0.1 * speed_kmh[t]! : v));
    const f = responseFigures(gridOf(traceOf(sags, { speed_kmh })));
    expect(f['level on speed']!).toBeLessThan(-3);
    expect(f['level standing']! - f['level fast']!).toBeCloseTo(10, -1);
    expect(f['share standing']!).toBeCloseTo(0.5, 1);
    const blind = responseFigures(gridOf(traceOf(sags)));
    expect(blind['level on speed']!).toBeNaN();
    expect(blind['fan level']!).toBeNaN();
  });

  it('tell how a gauge and the air stand to the reading', () => {
    const f = otherSensorFigures(
      gridOf(traceOf(warmUp, { gauge_c: warmUp.map((v) => v - 15), iat_c: course(() => 9) })),
    );
    expect(f['gauge_c late']!).toBeCloseTo(-15, 6);
    expect(f['gauge_c slope']!).toBeCloseTo(1, 6);
    expect(f['start over intake']!).toBeGreaterThan(0);
    expect(f['start over intake']!).toBeLessThan(4);
    expect(f['ect2_c late']!).toBeNaN();
  });

  it('tell where the reading lies against sound vehicles, in their spreads', () => {
    const trace = traceOf(warmUp.map((v) => v - 6));
    const bins = 100;
    const bin_s = (60 * MINUTES) / bins;
    const mid = Float64Array.from({ length: bins }, (_, k) => warmUp[Math.floor((k + 0.5) * bin_s)]!);
    const band = { mid_c: mid, low_c: mid.map((v) => v - 2.56), high_c: mid.map((v) => v + 2.56) };
    const f = bandFigures(gridOf(trace), band, bin_s);
    expect(f['off warm']!).toBeCloseTo(-3, 0);
    expect(f['late K off']!).toBeCloseTo(-6, 0);
    expect(f['expected last']!).toBeCloseTo(0, 1);
    expect(f['off hot']!).toBeNaN();
    expect(CELL_S).toBe(10);
  });
});

describe('figures of the fits', () => {
  const fit = (cause: FitSummary['cause'], variant: string, support: number, severity = NaN): FitSummary => ({
    ...{ cause, variant, support, severity, misfit: 0.5, effect_k: 3 },
    vehicle: new Float64Array(30),
  });

  it('are relative to the best and to the sound vehicle', () => {
    const f = fitFigures([fit('healthy', 'sound', -30), fit('sender-slow', 'slow', -10, 0.4)]);
    expect(f['close sender-slow slow']!).toBe(0);
    expect(f['close healthy sound']!).toBeCloseTo(Math.tanh(-20 / 6), 9);
    expect(f['over sound sender-slow slow']!).toBeGreaterThan(0.8);
    expect(f['severity sender-slow slow']!).toBe(0.4);
    expect(f['severity healthy sound']).toBeUndefined();
    const shifted = fitFigures([fit('healthy', 'sound', 70), fit('sender-slow', 'slow', 90, 0.4)]);
    expect(shifted).toEqual(f);
  });
});
