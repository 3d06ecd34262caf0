import { describe, expect, it } from 'vitest';
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
    const check = (itemId: string, at_s: number) => ({ itemId, at_s, what: itemId });
    const open = [check('fan', 15), check('hose', 240), check('heater', 900)];
    expect(dueCheck(open, 0)).toMatchObject({ check: { itemId: 'fan' }, isDue: true });
    expect(dueCheck(open.slice(1), 100)).toMatchObject({ check: { itemId: 'hose' }, isDue: false });
    expect(dueCheck(open.slice(1), 195)).toMatchObject({ check: { itemId: 'hose' }, isDue: true });
    // One that was missed stays in front until it is answered.
    expect(dueCheck(open.slice(1), 2000)).toMatchObject({ check: { itemId: 'hose' }, isDue: true });
    expect(dueCheck([], 2000)).toBeNull();
  });

  it('writes minutes and seconds', () => {
    expect([clock(0), clock(65.9), clock(3600), clock(-3)]).toEqual(['0:00', '1:05', '60:00', '0:00']);
  });
});

describe('plan fields', () => {
  const plan = firstPlan(startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false }), -4);

  it('starts valid, with the outside air that is known', () => {
    expect(planError(plan)).toBeNull();
    expect(plan.ambient_c).toBe(-4);
  });

  it.each([
    [{ phases: [] }, /at least one phase/],
    [{ phases: [{ kind: 'town', duration_s: 0 } as const] }, /half a minute/],
    [{ ambient_c: 90 }, /too hot/],
    [{ limit_c: 200 }, /above boiling/],
  ])('%j is refused', (change, message) => {
    expect(planError({ ...plan, ...change })).toMatch(message);
  });
});
