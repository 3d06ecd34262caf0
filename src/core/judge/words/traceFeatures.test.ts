import { describe, expect, it } from 'vitest';
import type { Trace } from '../../base';
import { startingVehicle } from '../../planning';
import { prepareInputs } from '../../twin';
import type { JudgeContext } from '../judgeContext';
import { traceFeatures } from './traceFeatures';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const { rated_c } = vehicle.thermostat;
const N = 1800;

/** What `traceFeatures` reads of a judgement: a logged drive, its bins, and a band around `expected`. */
function context(
  ect: (t: number) => number,
  speed_kmh: (t: number) => number | null = () => 50,
  rpm: (t: number) => number = () => 1800,
  expected: (t: number) => number = ect,
): JudgeContext {
  const series = (f: (t: number) => number) => Float64Array.from({ length: N }, (_, t) => f(t));
  const trace: Trace = {
    time_s: series((t) => t),
    channels: {
      ect_c: series(ect),
      rpm: series(rpm),
      ...(speed_kmh(0) === null ? {} : { speed_kmh: series((t) => speed_kmh(t)!) }),
    },
  };
  const inputs = prepareInputs(trace, vehicle);
  const width_s = (inputs.steps / inputs.bins) * inputs.step_s;
  const bins = (f: (t: number) => number) =>
    Float64Array.from({ length: inputs.bins }, (_, k) => f((k + 0.5) * width_s));
  const curves = {
    time_s: bins((t) => t),
    measured_c: bins(ect),
    healthyLow_c: bins((t) => expected(t) - 3),
    healthyMid_c: bins(expected),
    healthyHigh_c: bins((t) => expected(t) + 3),
    best_c: bins(ect),
    healthyFit_c: bins(ect),
  };
  return { trace, vehicle, inputs, curves } as unknown as JudgeContext;
}

const warmUp = (level_c: number) => (t: number) => level_c - (level_c - 5) * Math.exp(-t / 240);

describe('figures of a trace', () => {
  it('climb, level and top are what was read', () => {
    const ramp = (t: number) => Math.min(80, 5 + t / 12);
    const f = traceFeatures(context(ramp));
    expect(Math.abs(f.start_c - 5)).toBeLessThan(1);
    expect(f.climb_kpmin).toBeCloseTo(5, 0);
    expect(f.level_c).toBeCloseTo(80, 3);
    expect(f.levelSpread_k).toBeCloseTo(0, 6);
    expect(f.highest_c).toBe(80);
    expect(f.departure).toBeNull();
  });

  it('names where the reading leaves the band furthest', () => {
    const f = traceFeatures(
      context(
        warmUp(60),
        () => 50,
        () => 1800,
        warmUp(88),
      ),
    );
    expect(f.departure!.time_s).toBeGreaterThan(1500);
    expect(f.departure!.reading_c).toBeCloseTo(60, 0);
    expect(f.departure!.low_c).toBeCloseTo(85, 0);
    expect(f.expectedWarm_s).toBeGreaterThan(600);
  });

  it('a drive on which no vehicle gets warm has no time for it', () => {
    expect(traceFeatures(context(warmUp(50))).expectedWarm_s).toBeNull();
  });

  it('sag per 10 km/h is found between town and fast road', () => {
    const speed = (t: number) => (t < 1350 ? 20 : 100);
    const f = traceFeatures(context((t) => (t < 1350 ? 84 : 76), speed));
    expect(f.sagPer10kmh_k).toBeCloseTo(-1, 1);
    expect(
      traceFeatures(
        context(
          () => 84,
          () => 50,
        ),
      ).sagPer10kmh_k,
    ).toBeNull();
    expect(
      traceFeatures(
        context(
          () => 84,
          () => null,
        ),
      ).sagPer10kmh_k,
    ).toBeNull();
  });

  it('creep at standstill is found in the second half alone', () => {
    const speed = (t: number) => (t > 1200 ? 0 : 60);
    const f = traceFeatures(context((t) => (t > 1200 ? 84 + (t - 1200) / 60 : 84), speed));
    expect(f.standstill_kpmin).toBeCloseTo(1, 1);
    expect(
      traceFeatures(
        context(
          () => 84,
          (t) => (t < 300 ? 0 : 60),
        ),
      ).standstill_kpmin,
    ).toBeNull();
  });

  it('tells what holding the engine at speed did', () => {
    const standing = (t: number) => (t > 900 ? 0 : 60);
    const held = (t: number) => t > 1300 && t < 1600;
    const creep = (t: number): number => {
      if (t <= 900) return rated_c;
      const idle_s = Math.min(t, 1300) - 900 + Math.max(0, t - 1600);
      const held_s = Math.max(0, Math.min(t, 1600) - 1300);
      return rated_c + (2 * idle_s - 1.5 * held_s) / 60;
    };
    const f = traceFeatures(context(creep, standing, (t) => (held(t) ? 2500 : vehicle.engine.idle_rpm)));
    expect(f.revs!.idle_kpmin).toBeCloseTo(2, 0);
    expect(f.revs!.held_kpmin).toBeCloseTo(-1.5, 0);
  });

  const idle = () => vehicle.engine.idle_rpm;
  const hold = (t: number) => (t > 1300 ? 2500 : vehicle.engine.idle_rpm);
  it.each<[string, number, number | null, (t: number) => number]>([
    ['without a hold', rated_c, 0, idle],
    ['below warm', rated_c - 30, 0, hold],
    ['on the road', rated_c, 40, hold],
    ['where no road speed was logged', rated_c, null, hold],
  ])('says nothing of engine speed %s', (_, ect_c, speed_kmh, rpm) => {
    const ect = () => ect_c;
    const speed = () => speed_kmh;
    expect(traceFeatures(context(ect, speed, rpm)).revs).toBeNull();
  });
});
