import { describe, expect, it } from 'vitest';
import { unmeasured } from '@/core/limits';
import { startingVehicle } from '@/core/planning';
import { firstPlan } from '@/job/firstPlan';
import { planError } from './planFields';

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
