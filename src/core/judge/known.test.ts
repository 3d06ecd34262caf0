import { describe, expect, it } from 'vitest';
import { isFault, perCause } from '../base';
import { besides, knownTo } from './known';

const usable = { usable: true, problems: [] };
const figures = (misfit: number, bent: number) => ({ 'misfit best': Math.log(misfit), 'bent best': Math.log1p(bent) });

describe('a second fault', () => {
  const present = perCause((c) => (['sender-slow', 'healthy', 'thermostat-leaking'].includes(c) ? 0.7 : 0.2));

  it('is one that is likelier than not, beside the leader, and no sound cause', () => {
    expect(besides(present, 'thermostat-leaking')).toEqual(['sender-slow']);
    expect(besides(present, 'fan-not-running')).toEqual(['thermostat-leaking', 'sender-slow']);
  });

  it('is not looked for beside a sound car', () => {
    for (const sound of ['healthy', 'insufficient-heat'] as const) {
      expect(isFault(sound)).toBe(false);
      expect(besides(present, sound)).toEqual([]);
    }
  });
});

describe('a car that no model knows', () => {
  it('is one that no fit follows, or that a fit must bend beyond any car', () => {
    expect(knownTo(usable, figures(0.5, 12), 'thermostat-leaking')).toBe(usable);
    for (const strange of [figures(9, 12), figures(0.3, 90)]) {
      const { usable: can, problems } = knownTo(usable, strange, 'thermostat-leaking');
      expect(can).toBe(false);
      expect(problems[0]).toMatch(/does not behave like any .* Check the vehicle’s figures and the log/);
    }
  });

  it('may still be told by a sign of its own: coolant that jumps follows no fit', () => {
    for (const cause of ['sender-intermittent', 'sender-stuck', 'low-coolant-or-air'] as const) {
      expect(knownTo(usable, figures(12, 12), cause)).toBe(usable);
      // What bends the car beyond any is no leap.
      expect(knownTo(usable, figures(12, 150), cause).usable).toBe(false);
    }
  });

  it('keeps the problems that it had', () => {
    const { problems } = knownTo({ usable: false, problems: ['Too short.'] }, figures(9, 9), 'sender-slow');
    expect(problems).toHaveLength(2);
    expect(problems[0]).toBe('Too short.');
  });
});
