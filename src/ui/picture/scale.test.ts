import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LABEL_GAP, minuteTicks, SCALE_FROM_C, SCALE_TO_C, scaleY, spreadLabels } from './scale';

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
          expect(labelY).toBeLessThanOrEqual(320);
        }
      }),
    );
  });

  it('a lone label stands at its temperature', () => {
    const [only] = spreadLabels([{ at_c: 40, label: 'outside air' }], 400);
    expect(only!.labelY).toBe(only!.y);
  });
});

describe('minutes of a time axis', () => {
  it.each([
    [0, [0]],
    [7.4, [0, 1, 2, 3, 4, 5, 6, 7]],
    [28, [0, 5, 10, 15, 20, 25]],
    [95, [0, 15, 30, 45, 60, 75, 90]],
  ])('up to %d', (last, ticks) => expect(minuteTicks(last)).toEqual(ticks));

  it('are never crowded and never beyond the end', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 960, noNaN: true }), (last) => {
        const ticks = minuteTicks(last);
        expect(ticks.length).toBeLessThanOrEqual(9);
        expect(ticks.at(-1)!).toBeLessThanOrEqual(last);
      }),
    );
  });
});
