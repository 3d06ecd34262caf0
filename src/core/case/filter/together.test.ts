import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, isFault, perCause, type Cause, type PerCause } from '../../base';
import { addLogs, logPriors } from '../../evidence';
import { logSumExp } from '../../signal';
import { NO_WORD, wordTogether } from './together';

const logs = fc
  .array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((list) => perCause((c) => list[CAUSES.indexOf(c)]!));

/** Odds of a word by the usual base rates. */
function oddsOf(word: PerCause<number>): PerCause<number> {
  const raw = addLogs(logPriors(), word);
  const total = logSumExp(CAUSES.map((c) => raw[c]));
  return perCause((c) => Math.exp(raw[c] - total));
}

const leaderOf = (odds: PerCause<number>): Cause => CAUSES.reduce((a, b) => (odds[b] > odds[a] ? b : a));

/** A drive that gives one cause this share and spreads the rest as the base rates do. */
function saying(cause: Cause, share: number, second: Cause | null = null): PerCause<number> {
  const priors = logPriors();
  const rest = CAUSES.filter((c) => c !== cause).reduce((sum, c) => sum + Math.exp(priors[c]), 0);
  return perCause((c) =>
    c === cause ? Math.log(share) - priors[c] : Math.log((1 - share) / rest) + (c === second ? 1.5 : 0),
  );
}

const close = (a: PerCause<number>, b: PerCause<number>) => {
  for (const c of CAUSES) expect(a[c]).toBeCloseTo(b[c], 6);
};

describe('several drives of one car, as one word', () => {
  it('drives that all lead with one cause lead with it together', () => {
    fc.assert(
      fc.property(fc.array(logs, { minLength: 1, maxLength: 4 }), (words) => {
        const leaders = new Set(words.map((w) => leaderOf(oddsOf(w))));
        const together = leaderOf(oddsOf(wordTogether(words)));
        if (leaders.size === 1) expect([...leaders]).toEqual([together]);
        if ([...leaders].every((c) => !isFault(c))) expect(isFault(together)).toBe(false);
      }),
    );
  });

  it('however rare the cause is and however near a common one comes to it', () => {
    const rare = (): PerCause<number> => {
      const odds = perCause((c): number =>
        c === 'sender-slow' ? 0.41 : c === 'healthy' ? 0.4 : c === 'insufficient-heat' ? 0.12 : 0.07 / 15,
      );
      const priors = logPriors();
      return perCause((c) => Math.log(odds[c]) - priors[c]);
    };
    expect(leaderOf(oddsOf(wordTogether([rare(), rare()])))).toBe('sender-slow');
    const early = saying('thermostat-opens-early', 0.5, 'sender-slow');
    expect(leaderOf(oddsOf(wordTogether([early, early, early])))).toBe('thermostat-opens-early');
  });

  it('one whose odds are flat changes nothing, in any place', () => {
    fc.assert(
      fc.property(
        fc.array(logs, { minLength: 1, maxLength: 3 }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (words, by) => {
          const flat = perCause(() => by);
          const before = oddsOf(wordTogether(words));
          close(oddsOf(wordTogether([...words, flat])), before);
          close(oddsOf(wordTogether([flat, ...words])), before);
        },
      ),
    );
    close(wordTogether([NO_WORD, NO_WORD]), NO_WORD);
  });

  it('their order does not matter', () => {
    fc.assert(
      fc.property(fc.array(logs, { minLength: 2, maxLength: 4 }), (words) => {
        close(oddsOf(wordTogether(words)), oddsOf(wordTogether(words.toReversed())));
      }),
    );
  });

  it('one drive says what it says alone', () => {
    fc.assert(fc.property(logs, (word) => close(oddsOf(wordTogether([word])), oddsOf(word))));
  });

  it('a second that agrees makes surer, but less than another car’s would; one that differs makes less sure', () => {
    const once = saying('thermostat-stuck-open', 0.8);
    const share = (...words: PerCause<number>[]) => oddsOf(wordTogether(words))['thermostat-stuck-open'];
    const stranger = oddsOf(addLogs(once, once))['thermostat-stuck-open'];
    expect(share(once, once)).toBeGreaterThan(share(once) + 0.02);
    expect(share(once, once)).toBeLessThan(stranger - 0.02);
    expect(share(once, once, once)).toBeGreaterThan(share(once, once));
    expect(share(once, saying('sender-reads-low', 0.7))).toBeLessThan(share(once) - 0.1);
  });

  it('the more certain of two that differ is believed', () => {
    const odds = oddsOf(wordTogether([saying('flow-restricted', 0.95), saying('fan-not-running', 0.5)]));
    expect(leaderOf(odds)).toBe('flow-restricted');
  });

  it('a mild day and a cold one of a sound car agree that it is sound', () => {
    const odds = oddsOf(wordTogether([saying('healthy', 0.85), saying('insufficient-heat', 0.85)]));
    expect(odds.healthy + odds['insufficient-heat']).toBeGreaterThan(0.9);
  });

  it('a cause that cannot be on this car stays out', () => {
    const without = { ...saying('sender-reads-low', 0.6), 'thermostat-heating-fault': -Infinity };
    const together = wordTogether([without, without]);
    expect(together['thermostat-heating-fault']).toBe(-Infinity);
    expect(Object.values(oddsOf(together)).every(Number.isFinite)).toBe(true);
  });

  it('no drive at all is an error', () => {
    expect(() => wordTogether([])).toThrow(RangeError);
  });
});
