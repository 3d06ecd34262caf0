import { describe, expect, it } from 'vitest';
import { CAUSES } from '../base';
import { startingVehicle } from '../planning';
import { caseOdds, type Answer } from './caseOdds';

const outlet = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const inlet = { ...outlet, thermostat: { ...outlet.thermostat, location: 'inlet' as const } };
const odds = (answers: Answer[], vehicle = outlet) => {
  const result = caseOdds(vehicle, answers, null);
  return { ...result, p: Object.fromEntries(result.causes.map((c) => [c.cause, c.probability])) };
};

describe('caseOdds', () => {
  it('starts from the base rates and sums to one', () => {
    const { causes, lines } = odds([]);
    expect(causes.reduce((s, c) => s + c.probability, 0)).toBeCloseTo(1, 9);
    expect(causes.length).toBe(CAUSES.length);
    expect(lines).toEqual([]);
  });

  it('a warm top hose two minutes from cold speaks for an open path, the less so at the inlet', () => {
    const warm: Answer[] = [{ itemId: 'hose-top-2min', answer: 0 }];
    const gain = (vehicle: typeof outlet) =>
      odds(warm, vehicle).p['thermostat-stuck-open']! / odds([], vehicle).p['thermostat-stuck-open']!;
    expect(gain(outlet)).toBeGreaterThan(2.5);
    expect(gain(inlet)).toBeLessThan(gain(outlet) / 2);
    expect(odds(warm).lines[0]!.moved.factor).toBeGreaterThan(1);
  });

  it('low level speaks for air and against nothing wrong', () => {
    const low = odds([{ itemId: 'look-level-low', answer: 0 }]).p;
    expect(low['low-coolant-or-air']).toBeGreaterThan(3 * odds([]).p['low-coolant-or-air']!);
    expect(low.healthy).toBeLessThan(odds([]).p.healthy!);
  });

  it('removing a line takes its effect away', () => {
    const a: Answer = { itemId: 'soak-agreement', answer: 0 };
    const b: Answer = { itemId: 'complaint-weak-heater', answer: 0 };
    expect(odds([a, b].filter((x) => x !== b)).p).toEqual(odds([a]).p);
  });

  it('a second statement of the same talk counts less than the first', () => {
    const one = odds([{ itemId: 'complaint-slow-warm-up', answer: 0 }]);
    const two = odds([
      { itemId: 'complaint-weak-heater', answer: 0 },
      { itemId: 'complaint-slow-warm-up', answer: 0 },
    ]);
    const factor = (r: typeof one, i: number) => Math.abs(Math.log(r.lines[i]!.moved.factor));
    expect(factor(two, 1)).toBeLessThan(factor(one, 0));
  });

  it('does not propose what was already done', () => {
    const first = odds([]).next[0]!.item.id;
    expect(odds([{ itemId: first, answer: 1 }]).next.map((n) => n.item.id)).not.toContain(first);
  });
});
