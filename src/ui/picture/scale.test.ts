import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LABEL_GAP, LABEL_HALF, SCALE_FROM_C, SCALE_TO_C, scaleY, spreadLabels, timeTicks } from './scale';

describe('temperature scale', () => {
  it('runs from the bottom to the top and stays inside', () => {
    expect(scaleY(SCALE_FROM_C, 400)).toBe(400);
    expect(scaleY(SCALE_TO_C, 400)).toBe(0);
    expect(scaleY(300, 400)).toBe(0);
    expect(scaleY(-200, 400)).toBe(400);
    expect(scaleY(90, 400)).toBeLessThan(scaleY(20, 400));
  });

  it('labels never touch, keep their order, and stay in the picture', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -40, max: 150 }), { maxLength: 8 }), (temperatures) => {
        const placed = spreadLabels(
          temperatures.map((at_c, i) => ({ at_c, label: `mark ${i}` })),
          320,
        );
        expect(placed).toHaveLength(temperatures.length);
        for (let i = 1; i < placed.length; i++) {
          expect(placed[i - 1]!.mark.at_c).toBeGreaterThanOrEqual(placed[i]!.mark.at_c);
          expect(placed[i]!.labelY - placed[i - 1]!.labelY).toBeGreaterThanOrEqual(LABEL_GAP - 1e-9);
        }
        for (const { y, labelY } of placed) {
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(320);
          expect(labelY).toBeLessThanOrEqual(320 - LABEL_HALF);
          expect(labelY).toBeGreaterThanOrEqual(LABEL_HALF);
        }
      }),
    );
  });

  it('a lone label stands at its temperature', () => {
    const [only] = spreadLabels([{ at_c: 40, label: 'outside air' }], 400);
    expect(only!.labelY).toBe(only!.y);
  });
});

describe('figures of an axis across', () => {
  it.each([
    [0, 0, [0]],
    [0, 7.4, [0, 1, 2, 3, 4, 5, 6, 7]],
    [0, 28, [0, 5, 10, 15, 20, 25]],
    [3.5, 6.5, [3.5, 4, 4.5, 5]],
    [11, 14, [11, 11.5, 12, 12.5, 13, 13.5, 14]],
    [-3, 20, [0, 5, 10, 15, 20]],
  ])('from %d to %d', (from, to, ticks) => expect(timeTicks(from, to).slice(0, ticks.length)).toEqual(ticks));

  it('are never crowded and never outside', () => {
    const end = fc.double({ min: -60, max: 960, noNaN: true });
    fc.assert(
      fc.property(end, end, (a, b) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        const ticks = timeTicks(from, to);
        expect(ticks.length).toBeLessThanOrEqual(11);
        for (const t of ticks) expect(t >= from - 1e-6 && t <= to + 1e-6).toBe(true);
      }),
    );
  });
});
