import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laneLegend } from './ChartLegend';
import { drawnHeights, drawnLane, readAt, wholeRange, type Curve } from './lane';

const every = (n: number, step_s: number): Float64Array => Float64Array.from({ length: n }, (_, i) => i * step_s);
const curve = (time_s: Float64Array, value: (i: number) => number, logged = true): Curve => ({
  ...{ label: 'reading', colour: 'ink', logged, time_s },
  values: time_s.map((_, i) => value(i)),
});

describe('what is drawn of a lane', () => {
  it('a spike in an hour at 10 Hz stays, in about two points for each column of a screen', () => {
    const hour = curve(every(36_000, 0.1), (i) => (i === 17_777 ? 130 : 80));
    const { pieces } = drawnLane({ curves: [hour] }, wholeRange({ curves: [hour] }));
    expect(pieces).toHaveLength(1);
    expect(pieces[0]!.indices.length).toBeLessThan(1500);
    expect(pieces[0]!.indices).toContain(17_777);
  });

  it('closer in, every sample of the visible stretch is there, and one beyond each end', () => {
    const hour = curve(every(36_000, 0.1), (i) => i);
    const [piece] = drawnLane({ curves: [hour] }, { from_s: 100, to_s: 110 }).pieces;
    expect(piece!.indices).toHaveLength(103);
    expect(hour.time_s[piece!.indices[0]!]).toBeCloseTo(99.9);
    expect(hour.time_s[piece!.indices.at(-1)!]).toBeCloseTo(110.1);
  });

  it('a hole of a log is drawn as one, a rare reading is none, and models have no holes', () => {
    const times = [...every(60, 1), ...every(60, 1).map((t) => t + 200)];
    const holed = curve(Float64Array.from(times), (i) => i);
    const whole = (c: Curve) => drawnLane({ curves: [c] }, wholeRange({ curves: [c] })).pieces.length;
    expect(whole(holed)).toBe(2);
    expect(whole({ ...holed, logged: false })).toBe(1);
    expect(whole(curve(every(90, 30), (i) => i))).toBe(1);
    // Rows that hold nothing for a while are a hole as well.
    expect(whole(curve(every(300, 1), (i) => (i > 100 && i < 200 ? NaN : i)))).toBe(2);
    // The same in a log too long to look at every step: a channel that is read every fifth second has no holes.
    const long = every(100_000, 0.1);
    expect(whole(curve(long, (i) => (i % 50 === 7 ? i : NaN)))).toBe(1);
    expect(whole(curve(long, (i) => (i > 5000 && i < 5200 ? NaN : i)))).toBe(2);
    // A channel may be polled more rarely than the others.
    expect(whole(curve(every(900, 1), (i) => (i % 9 === 0 ? i : NaN)))).toBe(1);
    expect(whole(curve(every(900, 1), (i) => (i % 45 === 0 ? i : NaN)))).toBe(1);
  });

  it('what is drawn rises in time and is all of a short curve, whatever it is', () => {
    const anyCurve = fc
      .array(fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: -30, max: 130 })), {
        minLength: 2,
        maxLength: 60,
      })
      .map((steps): Curve => {
        let t = -5;
        const time_s = Float64Array.from(steps, ([dt]) => (t += dt));
        return { label: 'x', colour: 'ink', logged: true, time_s, values: steps.map(([, v]) => v) };
      });
    fc.assert(
      fc.property(fc.array(anyCurve, { minLength: 1, maxLength: 3 }), (curves) => {
        const { pieces } = drawnLane({ curves }, wholeRange({ curves }));
        for (const c of curves) {
          const drawn = pieces.filter((p) => p.curve === c).flatMap((p) => p.indices);
          expect(drawn).toEqual([...Array(c.values.length).keys()]);
        }
      }),
    );
  });

  it('a band travels beside the curves and is named last', () => {
    const time_s = every(5, 60);
    const band = { label: 'sound', colour: 'green', time_s, low: time_s.map(() => 80), high: time_s.map(() => 90) };
    const lane = { curves: [{ ...curve(time_s, () => 70), label: 'fit' }, curve(time_s, () => 85)], bands: [band] };
    const drawn = drawnLane(lane, wholeRange(lane));
    expect(drawn.bands).toEqual([{ band, indices: [0, 1, 2, 3, 4] }]);
    expect(drawnHeights(drawn)).toEqual({ from: 70, to: 90 });
    expect(drawnHeights(drawnLane({ curves: [] }, { from_s: 0, to_s: 1 }))).toBeNull();
    expect(laneLegend(lane).map((e) => e.label)).toEqual(['reading', 'fit', 'sound']);
  });
});

describe('reading under the pointer', () => {
  const read = curve(every(10, 10), (i) => (i === 5 ? NaN : 10 * i));

  it('is the nearest that is there, and none where nothing is near', () => {
    expect(readAt(read, 22, 15)).toBe(20);
    expect(readAt(read, 28, 15)).toBe(30);
    expect(readAt(read, 51, 15)).toBe(60);
    expect(readAt(read, 51, 5)).toBeNull();
    expect(readAt(read, 500, 30)).toBeNull();
    expect(readAt({ time_s: [], values: [] }, 0, 30)).toBeNull();
  });
});
