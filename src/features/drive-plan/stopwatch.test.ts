import { describe, expect, it } from 'vitest';
import type { ItemId } from '@/core/evidence';
import { unmeasured } from '@/core/limits';
import { startingVehicle } from '@/core/planning';
import { firstPlan, planError } from './planFields';
import { clock, dueCheck, elapsedAt, phaseAt } from './stopwatch';

describe('stopwatch', () => {
  it('goes on through a reload and stands while paused', () => {
    expect(elapsedAt({ runningSince: 1_000_000, elapsed_s: 30 }, 1_060_000)).toBe(90);
    expect(elapsedAt({ runningSince: null, elapsed_s: 30 }, 9_999_999)).toBe(30);
  });

  it('knows the phase and what follows', () => {
    const phases = [
      { kind: 'idle', duration_s: 60 },
      { kind: 'town', duration_s: 120 },
    ] as const;
    expect(phaseAt(phases, 10)).toMatchObject({ phase: { kind: 'idle' }, left_s: 50, next: { kind: 'town' } });
    expect(phaseAt(phases, 60)).toMatchObject({ phase: { kind: 'town' }, next: null });
    expect(phaseAt(phases, 180)).toBeNull();
  });

  it('asks for what is due, else for what comes next', () => {
    const check = (itemId: ItemId, at_s: number) => ({ itemId, at_s, what: itemId });
    const open = [check('fan-from-cold', 15), check('hose-bottom-2min', 240), check('heater-at-plateau', 900)];
    expect(dueCheck(open, 0)).toMatchObject({ check: { itemId: 'fan-from-cold' }, isDue: true });
    expect(dueCheck(open.slice(1), 100)).toMatchObject({ check: { itemId: 'hose-bottom-2min' }, isDue: false });
    expect(dueCheck(open.slice(1), 195)).toMatchObject({ check: { itemId: 'hose-bottom-2min' }, isDue: true });
    // One that was missed stays in front until it is answered.
    expect(dueCheck(open.slice(1), 2000)).toMatchObject({ check: { itemId: 'hose-bottom-2min' }, isDue: true });
    expect(dueCheck([], 2000)).toBeNull();
  });

  it('writes minutes and seconds', () => {
    expect([clock(0), clock(65.9), clock(3600), clock(-3)]).toEqual(['0:00', '1:05', '60:00', '0:00']);
  });
});

describe('plan fields', () => {
  const vehicle = startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false });
  const measured = { ...unmeasured(vehicle), releases_kpa: 110 };
  const plan = firstPlan(vehicle, -4, measured);

  it('starts valid, with the outside air that is known', () => {
    expect(planError(plan, measured)).toBeNull();
    expect(plan.ambient_c).toBe(-4);
  });

  it.each([
    [{ phases: [] }, /at least one phase/],
    [{ phases: [{ kind: 'town', duration_s: 0 } as const] }, /half a minute/],
    [{ ambient_c: 90 }, /too hot/],
    [{ limit_c: 200 }, /at most \d+ °C\. It boils at \d+ °C: with the cap as measured/],
  ])('%j is refused', (change, message) => {
    expect(planError({ ...plan, ...change }, measured)).toMatch(message);
  });

  it('a limit that a good cap allows is refused with a dead one, and at 2000 m', () => {
    const limit_c = firstPlan(vehicle, -4, measured).limit_c;
    expect(planError({ ...plan, limit_c }, { ...measured, releases_kpa: 20, capWeak: true })).toMatch(/cap is weak/);
    expect(planError({ ...plan, limit_c }, { ...unmeasured(vehicle), altitude_m: 2000 })).toMatch(/was not measured/);
  });
});
