import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cubicAt, monotoneCubic } from './monotoneCubic';

const steps = fc.array(
  fc.tuple(fc.double({ min: 0.1, max: 20, noNaN: true }), fc.double({ min: 0, max: 50, noNaN: true })),
  {
    minLength: 2,
    maxLength: 12,
  },
);

/** Points that rise both ways. */
const rising = steps.map((list) => {
  let [x, y] = [0, 0];
  const points = list.map(([dx, dy]) => [(x += dx), (y += dy)] as const);
  return { xs: points.map((p) => p[0]), ys: points.map((p) => p[1]) };
});

describe('a monotone curve', () => {
  it('goes exactly through its points and holds its ends', () => {
    fc.assert(
      fc.property(rising, ({ xs, ys }) => {
        const curve = monotoneCubic(xs, ys);
        xs.forEach((x, i) => expect(cubicAt(curve, x)).toBe(ys[i]));
        expect(cubicAt(curve, xs[0]! - 5)).toBe(ys[0]);
        expect(cubicAt(curve, xs.at(-1)! + 5)).toBe(ys.at(-1));
      }),
    );
  });

  it('never turns back between points that rise', () => {
    fc.assert(
      fc.property(rising, ({ xs, ys }) => {
        const curve = monotoneCubic(xs, ys);
        const [from, to] = [xs[0]!, xs.at(-1)!];
        let before = -Infinity;
        for (let i = 0; i <= 100; i++) {
          const y = cubicAt(curve, from + ((to - from) * i) / 100);
          expect(y).toBeGreaterThanOrEqual(before - 1e-9);
          before = y;
        }
      }),
    );
  });

  it('is smooth where two stretches meet', () => {
    const curve = monotoneCubic([0, 1, 3, 4], [0, 2, 3, 7]);
    for (const x of [1, 3]) {
      const slope = (a: number, b: number) => (cubicAt(curve, b) - cubicAt(curve, a)) / (b - a);
      expect(slope(x - 1e-6, x)).toBeCloseTo(slope(x, x + 1e-6), 3);
    }
  });

  it('refuses abscissae that do not rise', () => {
    expect(() => monotoneCubic([0, 0], [1, 2])).toThrow(/must rise, got 0, 0/);
    expect(() => monotoneCubic([0], [1])).toThrow(/two points/);
  });
});
