import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity } from '../base';
import { L_PER_US_GALLON } from '../base/units';
import { filledWith_pct, mixFor, swapToReach_l } from '.';

const near = (value: number) => expect.closeTo(value, 9) as number;

describe('volumes for a strength', () => {
  it('an empty system takes its share of concentrate and the rest of water', () => {
    expect(mixFor({ capacity_l: 8, residual_l: 0, residual_pct: 0, target_pct: 40, add_pct: 100 })).toEqual({
      ...{ reachable: true, add_l: near(3.2), water_l: near(4.8) },
    });
  });

  it('counts what stayed inside, by hand: 6.5 l, 2.5 l of 30 % left, to 50 %', () => {
    // 3.25 l of glycol are wanted, 0.75 l are there.
    expect(mixFor({ capacity_l: 6.5, residual_l: 2.5, residual_pct: 30, target_pct: 50, add_pct: 100 })).toEqual({
      ...{ reachable: true, add_l: near(2.5), water_l: near(1.5) },
    });
    // The same with a ready mix of 60 %: 2.5 / 0.6 = 4.17 l do not go into 4 l of room.
    expect(mixFor({ capacity_l: 6.5, residual_l: 2.5, residual_pct: 30, target_pct: 50, add_pct: 60 })).toEqual({
      // R <= 6.5 · (60 - 50) / (60 - 30) = 2.1667
      ...{ reachable: false, why: 'too-weak', drain_more_l: near(2.5 - 6.5 / 3) },
    });
  });

  it('says how much more must come out where the old is too strong', () => {
    // 5 l of 70 % are 3.5 l of glycol, 8 l of 40 % hold 3.2: R <= 8 · 40 / 70.
    expect(mixFor({ capacity_l: 8, residual_l: 5, residual_pct: 70, target_pct: 40, add_pct: 100 })).toEqual({
      ...{ reachable: false, why: 'too-strong', drain_more_l: near(5 - (8 * 40) / 70) },
    });
    expect(mixFor({ capacity_l: 8, residual_l: 1, residual_pct: 10, target_pct: 0, add_pct: 100 })).toMatchObject({
      ...{ why: 'too-strong', drain_more_l: near(1) },
    });
  });

  it('knows when no draining helps, and when only all of it does', () => {
    const weak = { capacity_l: 10, residual_l: 2, residual_pct: 30, target_pct: 55, add_pct: 50 };
    expect(mixFor(weak)).toEqual({ reachable: false, why: 'too-weak', drain_more_l: null });
    // The old is the stronger one: draining it makes it worse.
    expect(mixFor({ ...weak, residual_pct: 70 })).toMatchObject({ why: 'too-weak', drain_more_l: null });
    expect(mixFor({ ...weak, target_pct: 50 })).toEqual({ reachable: false, why: 'too-weak', drain_more_l: near(2) });
  });

  it('reaches what lies exactly on the edge', () => {
    expect(mixFor({ capacity_l: 6, residual_l: 2, residual_pct: 20, target_pct: 50, add_pct: 65 })).toEqual({
      ...{ reachable: true, add_l: near(4), water_l: near(0) },
    });
  });

  it('comes out at the target, or draining what it says makes it come out there', () => {
    const pct = fc.double({ min: 1, max: 99, noNaN: true });
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        pct,
        pct,
        fc.double({ min: 30, max: 100, noNaN: true }),
        (capacity_l, share, residual_pct, target_pct, add_pct) => {
          const task = { capacity_l, residual_l: share * capacity_l, residual_pct, target_pct, add_pct };
          const check = (t: typeof task) => {
            const answer = mixFor(t);
            if (!answer.reachable) return answer;
            const glycol = t.residual_l * t.residual_pct + answer.add_l * t.add_pct;
            expect(glycol / capacity_l).toBeCloseTo(target_pct, 6);
            expect(t.residual_l + answer.add_l + answer.water_l).toBeCloseTo(capacity_l, 6);
            expect(Math.min(answer.add_l, answer.water_l)).toBeGreaterThanOrEqual(0);
            return answer;
          };
          const first = check(task);
          if (first.reachable || first.drain_more_l === null) return;
          expect(first.drain_more_l).toBeGreaterThan(0);
          expect(check({ ...task, residual_l: task.residual_l - first.drain_more_l - 1e-9 }).reachable).toBe(true);
          // A little less than it says is not enough.
          const less = { ...task, residual_l: task.residual_l - first.drain_more_l * (1 - 1e-4) };
          if (first.drain_more_l > 0.01) expect(mixFor(less).reachable).toBe(false);
        },
      ),
    );
  });

  it('is the same in gallons and quarts', () => {
    const l = (text: string) => parseQuantity(text, 'volume', 'l')!;
    const answer = mixFor({
      capacity_l: l('2 gal'),
      residual_l: l('3 qt'),
      residual_pct: 40,
      target_pct: 50,
      add_pct: 100,
    });
    // In quarts: 8 · 0.5 - 3 · 0.4 = 2.8 of concentrate, 2.2 of water.
    expect(answer).toEqual({
      reachable: true,
      add_l: near((2.8 * L_PER_US_GALLON) / 4),
      water_l: near((2.2 * L_PER_US_GALLON) / 4),
    });
    expect(l('1 imp gal')).toBeCloseTo(4.54609, 6);
  });
});

describe('other ways to a strength', () => {
  it('a ready mix over rinse water is weaker than its label', () => {
    // 50 % poured over 2 l of water in 8 l: 37.5 %.
    expect(filledWith_pct({ capacity_l: 8, residual_l: 2, residual_pct: 0, add_pct: 50 })).toBeCloseTo(37.5, 9);
  });

  it('swaps part of a full system', () => {
    expect(swapToReach_l(6, 30, 50, 100)).toBeCloseTo((6 * 20) / 70, 9);
    expect(swapToReach_l(6, 50, 50, 100)).toBe(0);
    expect(swapToReach_l(6, 30, 50, 40)).toBeNull();
    expect(swapToReach_l(6, 60, 50, 100)).toBeNull();
    expect(swapToReach_l(6, 60, 50, 0)).toBeCloseTo(1, 9);
  });
});
