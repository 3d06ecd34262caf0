import { describe, expect, it } from 'vitest';
import { isColdLevel, type ColdLevel } from '../case';
import { airVerdict, gasTestDue, openingWindow, openingWords } from '.';

const DAY = 86_400_000;
const level = (day: number, mm: number, at_c: number | null = 15, filledTo_mm: number | null = null): ColdLevel => ({
  ...{ at: day * DAY, above_mark_mm: mm, at_c, filledTo_mm, afterHeat: true },
});

describe('air by cold levels', () => {
  it('tells nothing without two of them', () => {
    expect(airVerdict([]).verdict).toBe('cannot-tell');
    expect(airVerdict([level(1, 0)]).says).toContain('One cold level');
  });

  it('a hot level proves nothing, however full or firm', () => {
    const hot = [level(1, 20, 90), level(2, 20, 92)];
    expect(hot.some(isColdLevel)).toBe(false);
    expect(airVerdict(hot)).toMatchObject({ verdict: 'cannot-tell', losses_mm: [] });
    expect(airVerdict(hot).says).toContain('prove nothing');
    expect(isColdLevel(level(1, 0, null))).toBe(false);
  });

  it('is settled when the last cycle took nothing', () => {
    expect(airVerdict([level(1, 0), level(2, -14, 15, 0), level(3, -1)])).toMatchObject({
      ...{ verdict: 'settled', losses_mm: [14, 1] },
    });
    // What was topped up is no loss of the next cycle.
    expect(airVerdict([level(1, -20, 15, 0), level(2, 0)]).verdict).toBe('settled');
  });

  it('a falling loss is air, a steady one is not', () => {
    expect(airVerdict([level(1, 0), level(2, -20, 15, 0), level(3, -8)]).verdict).toBe('air-settling');
    expect(airVerdict([level(1, 0), level(2, -20, 15, 0), level(3, -18)]).verdict).toBe('steady-loss');
    expect(airVerdict([level(1, 0), level(2, -12)]).verdict).toBe('air-settling');
  });

  it('compares like temperatures only, in the order of time', () => {
    expect(airVerdict([level(1, 0, 5), level(2, 9, 35)])).toMatchObject({ verdict: 'cannot-tell', losses_mm: [] });
    expect(airVerdict([level(3, -1), level(1, 0), level(2, -14, 15, 0)]).verdict).toBe('settled');
    expect(airVerdict([level(1, 0), level(2, 15)]).says).toContain('rose');
  });

  it('says nothing without a heat cycle between two levels, and takes one that a log or a warm reading shows', () => {
    const still = (day: number, mm: number): ColdLevel => ({ ...level(day, mm), afterHeat: null });
    expect(airVerdict([still(1, 0), still(1.0005, 0)])).toMatchObject({ verdict: 'cannot-tell' });
    expect(airVerdict([still(1, 0), still(2, 0)]).says).toContain('No heat cycle');
    expect(airVerdict([still(1, 0), still(2, 0)], 3, [1.5 * DAY]).verdict).toBe('settled');
    expect(airVerdict([still(1, 0), still(2, 0)], 3, [0.5 * DAY]).verdict).toBe('cannot-tell');
    expect(airVerdict([still(1, 0), level(1.5, 25, 85), still(2, 0)]).verdict).toBe('settled');
    // What went is gone, heat or not.
    expect(airVerdict([still(1, 0), still(2, -20)]).verdict).toBe('air-settling');
  });

  it('what was filled up while warm hides what had gone', () => {
    const levels = [level(1, 0), level(1.5, -25, 80, 20), level(2, 0)];
    expect(airVerdict(levels)).toMatchObject({ verdict: 'cannot-tell', losses_mm: [] });
    expect(airVerdict(levels).says).toContain('filled up while warm');
    expect(airVerdict([...levels, level(3, -1)]).verdict).toBe('settled');
  });

  it('the newest two decide, though earlier ones could be compared', () => {
    expect(airVerdict([level(1, 0), level(2, -1), level(3, 9, 35)]).verdict).toBe('cannot-tell');
  });

  it('follows the shop’s own figure', () => {
    const levels = [level(1, 0), level(2, -5)];
    expect(airVerdict(levels, 3).verdict).toBe('air-settling');
    expect(airVerdict(levels, 6).verdict).toBe('settled');
  });

  it('bubbles in three cycles on end ask for the gas test', () => {
    expect(gasTestDue([true, true])).toBe(false);
    expect(gasTestDue([true, true, true])).toBe(true);
    expect(gasTestDue([true, true, true, false])).toBe(false);
    expect(gasTestDue([true, false, true, true, true])).toBe(true);
  });
});

describe('the opening’s window', () => {
  const window = openingWindow({ early: 14 * 60, late: 18 * 60 });
  it('is waited for longer than the slowest sound car, and not for ever', () => {
    expect(window.stop_s / 60).toBeCloseTo(25.2, 1);
    expect(openingWindow({ early: 60, late: 120 }).stop_s).toBe(420);
  });
  it.each([
    [5, 'Due at minute 14 to 18; nothing after 25: stop and look.', false],
    [15, 'Due now: minute 14 to 18.', false],
    [20, 'Later than any sound one: was due at minute 14 to 18. Stop at minute 25.', false],
    [26, 'Due at minute 14 to 18, and nothing after 25: stop and look. Valve, level, air, pump.', true],
  ])('at minute %d', (minute, says, stop) => {
    expect(openingWords(window, 60 * minute)).toEqual({ says, stop });
  });
});
