import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Trace } from '../../base';
import { startingVehicle } from '../../planning';
import { inspectSignal } from './detectors';
import { findSawTooth } from './sawTooth';
import { sawToothEvidence } from './signalEvidence';

/** A warm-up of 30 minutes at 1 Hz to `level_c`, with something laid over it. */
function trace(over: (t: number) => number, level_c = 84): Trace {
  const n = 1800;
  return {
    time_s: Float64Array.from({ length: n }, (_, t) => t),
    channels: {
      ect_c: Float64Array.from({ length: n }, (_, t) => Math.round(level_c - 80 * Math.exp(-t / 260) + over(t))),
    },
  };
}
const find = (t: Trace) => findSawTooth(t, new Uint8Array(t.time_s.length));
const saw = (height_k: number, period_s: number) => (t: number) =>
  t < 900 ? 0 : height_k * (((t / period_s) % 1) - 0.5);

describe('saw-tooth', () => {
  it('is told with its height, period and level', () => {
    const found = find(trace(saw(10, 100)))!;
    expect(found.swings).toBeGreaterThanOrEqual(8);
    expect(Math.abs(found.height_k - 10)).toBeLessThan(1.5);
    expect(Math.abs(found.period_s - 100)).toBeLessThan(10);
    expect(Math.abs(found.level_c - 83)).toBeLessThan(3);
  });

  it.each<[string, (t: number) => number]>([
    ['a level that holds', () => 0],
    ['rounding that flickers', (t) => (t % 2 === 0 ? 0.4 : -0.4)],
    ['one long sag', (t) => (t > 1000 && t < 1400 ? -9 : 0)],
    ['swings of many minutes, the drive’s own', (t) => 6 * Math.sin((2 * Math.PI * t) / 700)],
    ['swings in the warm-up alone', (t) => (t < 700 ? saw(12, 90)(t + 900) : 0)],
  ])('%s is none', (_, over) => expect(find(trace(over))).toBeNull());

  it('leaves bad samples out', () => {
    const t = trace(() => 0);
    const bad = new Uint8Array(1800);
    for (let i = 1000; i < 1800; i += 60) {
      t.channels.ect_c[i] = 20;
      bad[i] = 1;
    }
    expect(findSawTooth(t, bad)).toBeNull();
  });

  it('is found whatever the level and however it is sampled', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 105 }),
        fc.integer({ min: 7, max: 20 }),
        fc.integer({ min: 60, max: 220 }),
        fc.integer({ min: 1, max: 6 }),
        (level_c, height_k, period_s, every) => {
          const whole = trace(saw(height_k, period_s), level_c);
          const keep = (_: number, i: number) => i % every === 0;
          const time_s = whole.time_s.filter(keep);
          const found = find({ time_s, channels: { ect_c: whole.channels.ect_c.filter(keep) } });
          expect(found).not.toBeNull();
          expect(found!.period_s / period_s).toBeGreaterThan(0.8);
          expect(found!.period_s / period_s).toBeLessThan(1.25);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('speaks for air at the sender, less so where an inlet thermostat hunts by design', () => {
    const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
    const findings = inspectSignal(trace(saw(10, 100)), vehicle);
    const gain = (inlet: boolean) => {
      const logs = sawToothEvidence(findings, inlet);
      return logs['low-coolant-or-air'] - logs.healthy;
    };
    expect(gain(false)).toBeGreaterThan(1);
    expect(gain(true)).toBeLessThan(gain(false));
    const calm = sawToothEvidence(
      inspectSignal(
        trace(() => 0),
        vehicle,
      ),
      false,
    );
    expect(calm['low-coolant-or-air']).toBeLessThan(calm.healthy);
    expect(calm['low-coolant-or-air']).toBeGreaterThan(calm.healthy - 0.5);
  });
});
