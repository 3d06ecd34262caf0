import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, isFault, neighboursOf, perCause, type Cause } from '../../base';
import type { Experienced } from './network';
import { withSecondFault } from './secondFault';

/** Odds and presence of the causes that matter; the others share what is left, and are hardly there. */
function found(odds: Partial<Record<Cause, number>>, present: Partial<Record<Cause, number>>): Experienced {
  const named = Object.values(odds).reduce((a, b) => a + b, 0);
  const rest = (1 - named) / (CAUSES.length - Object.keys(odds).length);
  return {
    logOdds: perCause((c) => Math.log(odds[c] ?? rest)),
    present: perCause((c) => present[c] ?? 0.01),
  };
}
const orderOf = (e: Experienced): Cause[] => {
  const odds = withSecondFault(e);
  return CAUSES.toSorted((a, b) => odds[b] - odds[a]);
};

describe('what the leader leaves over', () => {
  const alike = { 'thermostat-stuck-open': 0.7, 'thermostat-leaking': 0.2, 'thermostat-opens-early': 0.06 };

  it('goes first to the fault that seems to be there as well, not to the leader’s neighbours', () => {
    const two = found(alike, { 'thermostat-stuck-open': 0.9, 'thermostat-leaking': 0.4, 'gauge-sender-fault': 0.6 });
    expect(CAUSES.toSorted((a, b) => two.logOdds[b] - two.logOdds[a]).slice(0, 3)).not.toContain('gauge-sender-fault');
    expect(orderOf(two).slice(0, 2)).toEqual(['thermostat-stuck-open', 'gauge-sender-fault']);
    expect(Math.exp(withSecondFault(two)['thermostat-stuck-open'])).toBeCloseTo(0.7, 12);
  });

  it('stays with what may be there instead, where nothing speaks for a second', () => {
    const one = found(alike, { 'thermostat-stuck-open': 0.75, 'thermostat-leaking': 0.2 });
    expect(orderOf(one).slice(0, 3)).toEqual(Object.keys(alike));
    const odds = withSecondFault(one);
    expect(Math.exp(odds['thermostat-leaking'])).toBeGreaterThan(0.12);
  });

  it('is not touched beside a sound car', () => {
    const sound = found({ healthy: 0.6, 'insufficient-heat': 0.3 }, { 'sender-slow': 0.9 });
    expect(withSecondFault(sound)).toBe(sound.logOdds);
  });

  it('keeps sum, leader and its odds, whatever odds and presence are', () => {
    const numbers = fc.array(fc.double({ min: 1e-6, max: 1, noNaN: true }), {
      minLength: CAUSES.length,
      maxLength: CAUSES.length,
    });
    fc.assert(
      fc.property(numbers, numbers, (weights, present) => {
        const all = weights.reduce((a, b) => a + b, 0);
        const odds = perCause((c) => weights[CAUSES.indexOf(c)]! / all);
        const before = {
          logOdds: perCause((c) => Math.log(odds[c])),
          present: perCause((c) => present[CAUSES.indexOf(c)]!),
        };
        const after = withSecondFault(before);
        const leader = CAUSES.reduce((a, b) => (before.logOdds[b] > before.logOdds[a] ? b : a));
        expect(CAUSES.reduce((sum, c) => sum + Math.exp(after[c]), 0)).toBeCloseTo(1, 9);
        expect(after[leader]).toBe(before.logOdds[leader]);
        for (const c of CAUSES) {
          expect(after[c]).toBeLessThanOrEqual(after[leader] + 1e-9);
          const outOfPlace = !isFault(c) || neighboursOf(leader).includes(c);
          if (outOfPlace && c !== leader) expect(after[c]).toBeLessThanOrEqual(before.logOdds[c] + 1e-9);
        }
      }),
    );
  });
});
