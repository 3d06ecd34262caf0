import { describe, expect, it } from 'vitest';
import { unmeasured } from '@/core/limits';
import { startingVehicle } from '@/core/planning';
import { firstPlan } from '@/job/firstPlan';
import { planError } from './planFields';

const VEHICLE = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const STATE = unmeasured(VEHICLE);
const PLAN = firstPlan(VEHICLE, null, STATE);

describe('a plan', () => {
  it('as a job starts with it is right, wherever the drive goes and however the cap is', () => {
    for (const altitude_m of [0, 1500, 3000]) {
      for (const cap of [{}, { releases_kpa: 120 }, { releases_kpa: 40, capWeak: true }]) {
        const state = { ...STATE, ...cap, altitude_m };
        expect(planError(firstPlan(VEHICLE, -5, state), state)).toBeNull();
      }
    }
  });

  it('takes the outside air that someone wrote, or ten degrees', () => {
    expect(firstPlan(VEHICLE, -12, STATE).ambient_c).toBe(-12);
    expect(PLAN.ambient_c).toBe(10);
  });

  it('is refused with a limit at which it could boil, and says where it boils and why', () => {
    const hot = { ...PLAN, limit_c: 118 };
    expect(planError(hot, { ...STATE, releases_kpa: 140 })).toBeNull();
    expect(planError(hot, STATE)).toMatch(
      /^Stop limit: at most 10\d °C. It boils at 1\d\d °C: the cap was not measured/,
    );
    expect(planError(hot, { ...STATE, releases_kpa: 40, capWeak: true })).toContain('the cap is weak');
    expect(planError({ ...hot, limit_c: 104 }, { ...STATE, altitude_m: 3000 })).toMatch(/^Stop limit: at most 9\d °C/);
  });

  it.each([
    [{ phases: [] }, 'Add at least one phase.'],
    [{ phases: [{ kind: PLAN.phases[0]!.kind, duration_s: 5 }] }, 'A phase lasts half a minute at least.'],
    [{ ambient_c: -80 }, 'Outside air: too cold to be true.'],
    [{ heater_pct: 140 }, 'Heater: 0 to 100 %.'],
    [{ limit_c: 40 }, 'Stop limit: too low to drive.'],
  ])('%j is refused', (change, says) => expect(planError({ ...PLAN, ...change }, STATE)).toBe(says));
});
