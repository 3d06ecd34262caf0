import { describe, expect, it } from 'vitest';
import { MONITOR_DEFAULTS } from '../monitor';
import { ratingEffect, startingVehicle, type RatingDay } from '.';

const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

function effect(fitted_c: number): readonly RatingDay[] {
  const steps = ratingEffect(CAR, fitted_c, MONITOR_DEFAULTS);
  let share = -1;
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    expect(step.value).toBeGreaterThanOrEqual(share);
    share = step.value;
  }
}

describe('a thermostat of another rating', () => {
  it('much colder sets the slow warm-up code with nothing broken, and holds lower', () => {
    const right = effect(CAR.thermostat.rated_c);
    const cold = effect(CAR.thermostat.rated_c - 17);
    expect(right.every((d) => d.setsCode === 0 && d.setsAnyway === 0)).toBe(true);
    expect(cold.some((d) => d.runs === 1 && d.setsCode >= 0.5)).toBe(true);
    for (const [i, day] of cold.entries()) expect(day.holds_c).toBeLessThan(right[i]!.holds_c - 5);
    // In hard frost the monitor does not run: that is no pass.
    expect(cold[0]).toMatchObject({ ambient_c: -20, runs: 0, setsCode: 0 });
  });

  it('hotter sets none and holds higher', () => {
    const hot = effect(CAR.thermostat.rated_c + 4);
    expect(hot.every((d) => d.setsCode === 0)).toBe(true);
    expect(hot.at(-1)!.holds_c).toBeGreaterThan(CAR.thermostat.rated_c + 3);
  });
});
