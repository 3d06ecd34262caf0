import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, type ChannelName, type Trace } from '../base';
import { drawVehicle, seededRandom } from '../plant';
import { judgeNow } from './judge';
import { resultLine } from './resultLine';
import { remarksText } from './words/remarkText';
import { verdictText } from './words/verdictText';

/** How a channel may run: what loggers, broken wires and wrong columns make of it. */
const SHAPES = ['warm-up', 'constant', 'noise', 'steps', 'ramp-down', 'mostly-empty'] as const;

function channel(shape: (typeof SHAPES)[number], n: number, low: number, high: number, seed: number): Float64Array {
  const random = seededRandom(seed);
  return Float64Array.from({ length: n }, (_, i) => {
    const share = i / Math.max(1, n - 1);
    switch (shape) {
      case 'warm-up':
        return Math.round(high - (high - low) * Math.exp(-5 * share));
      case 'constant':
        return low;
      case 'noise':
        return random.uniform(low, high);
      case 'steps':
        return i % 7 === 0 ? high : low;
      case 'ramp-down':
        return high - (high - low) * share;
      case 'mostly-empty':
        return i % 41 === 0 ? low + (high - low) * share : NaN;
    }
  });
}

const RANGES: Readonly<Partial<Record<ChannelName, readonly [number, number]>>> = {
  ambient_c: [-30, 40],
  iat_c: [-30, 60],
  speed_kmh: [0, 130],
  rpm: [0, 5000],
  load_pct: [0, 100],
  maf_gps: [0, 60],
  fan_pct: [0, 100],
  heater_pct: [0, 100],
  gauge_c: [-40, 130],
  ect2_c: [-40, 130],
  rad_out_c: [-30, 110],
  thermostat_heater_pct: [0, 100],
};

const anyTrace = fc
  .record({
    n: fc.integer({ min: 2, max: 500 }),
    every_s: fc.constantFrom(0.2, 1, 5, 20),
    shape: fc.constantFrom(...SHAPES),
    low: fc.integer({ min: -60, max: 80 }),
    rise: fc.integer({ min: 0, max: 120 }),
    others: fc.subarray(Object.keys(RANGES) as ChannelName[]),
    otherShape: fc.constantFrom(...SHAPES),
    seed: fc.integer({ min: 1, max: 1e6 }),
  })
  .map(({ n, every_s, shape, low, rise, others, otherShape, seed }): Trace => {
    const ect_c = channel(shape, n, low, Math.min(200, low + rise), seed);
    if (!ect_c.some(Number.isFinite)) ect_c[0] = low;
    const channels: Partial<Record<ChannelName, Float64Array>> = Object.fromEntries(
      others.map((name, i) => [name, channel(otherShape, n, ...RANGES[name]!, seed + i)]),
    );
    return { time_s: Float64Array.from({ length: n }, (_, i) => i * every_s), channels: { ...channels, ect_c } };
  });

describe('the judge meets anything', () => {
  it('and always answers with odds, a grade, words and numbers that are numbers', () => {
    fc.assert(
      fc.property(anyTrace, fc.integer({ min: 1, max: 1000 }), (trace, seed) => {
        const finding = judgeNow(trace, drawVehicle(seededRandom(seed), seed % 5 === 0));
        expect(finding.causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 9);
        expect(new Set(finding.causes.map((c) => c.cause)).size).toBe(CAUSES.length);
        for (const { probability } of finding.causes) expect(probability).toBeGreaterThanOrEqual(0);
        expect(finding.why).toHaveLength(3);
        const words = [...finding.why.map(remarksText), verdictText(finding), ...finding.quality.problems].join(' ');
        expect(words).not.toMatch(/NaN|undefined|null|Infinity/);
        const end_s = trace.time_s.at(-1)! - trace.time_s[0]!;
        for (const { at_s } of finding.why.flat()) {
          if (at_s !== null) expect(at_s >= 0 && at_s <= end_s + finding.curves.time_s[0]! * 2).toBe(true);
        }
        if (!finding.quality.usable) expect(finding.verdict.grade).toBe('inconclusive');
        expect(finding.next.length).toBeGreaterThan(0);
        for (const curve of [finding.curves.healthyMid_c, finding.curves.best_c]) {
          expect(curve.every(Number.isFinite)).toBe(true);
        }
        // What the command prints is JSON without holes.
        expect(JSON.stringify(resultLine('x.csv', finding))).not.toMatch(/:null,"probability"|NaN/);
      }),
      { numRuns: 24, seed: 20_261 },
    );
  }, 240_000);
});
