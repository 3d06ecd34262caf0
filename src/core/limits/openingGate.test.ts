import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OPEN_AFTER_MIN, OPEN_BELOW_C, openingGate, OVERNIGHT_H, type OpeningSigns } from './openingGate';

/** All three signs good, read by a scan tool that is to be trusted. */
const COOL: OpeningSigns = {
  coldToTouch: true,
  softHose: true,
  since_min: 90,
  reading_c: 24,
  probe_c: null,
  senderSuspect: false,
};

const signs: fc.Arbitrary<OpeningSigns> = fc.record({
  coldToTouch: fc.option(fc.boolean()),
  softHose: fc.option(fc.boolean()),
  since_min: fc.option(fc.double({ min: 0, max: 2000, noNaN: true })),
  reading_c: fc.option(fc.double({ min: -30, max: 120, noNaN: true })),
  probe_c: fc.option(fc.double({ min: -30, max: 120, noNaN: true })),
  senderSuspect: fc.boolean(),
});

describe('may it be opened', () => {
  it('yes, when everything speaks for it', () => expect(openingGate(COOL).open).toBe(true));

  it.each([
    ['the hose is firm', { softHose: false }, /pressure/],
    ['it is warm to the touch', { coldToTouch: false }, /Still warm/],
    ['the reading is 45 °C', { reading_c: 45 }, /Still hot/],
    ['a second thermometer is hot, whatever the scan says', { probe_c: 60 }, /Still hot/],
    ['the engine stopped ten minutes ago', { since_min: 10 }, /30 minutes/],
    ['the hose was not felt', { softHose: null }, /all three/],
    ['the sender is suspected and nothing else was read', { senderSuspect: true }, /second thermometer/],
    ['nothing was read at all', { reading_c: null }, /overnight/],
  ] as const)('no, when %s', (_, change, says) => {
    const gate = openingGate({ ...COOL, ...change });
    expect(gate.open).toBe(false);
    expect(gate.says).toMatch(says);
  });

  it('without any reading a night is enough', () => {
    const night = { ...COOL, reading_c: null, since_min: 60 * OVERNIGHT_H };
    expect(openingGate(night).open).toBe(true);
    expect(openingGate({ ...night, senderSuspect: true }).open).toBe(true);
    expect(openingGate({ ...night, softHose: false }).open).toBe(false);
  });

  it('says nothing about the hose before it was felt', () => {
    const blank = { coldToTouch: null, softHose: null, since_min: null, reading_c: null, probe_c: null };
    expect(openingGate({ ...blank, senderSuspect: false }).says).not.toContain('firm');
  });

  it('never opens on less than all three signs, nor against a thermometer', () => {
    fc.assert(
      fc.property(signs, (given) => {
        if (!openingGate(given).open) return;
        expect([given.coldToTouch, given.softHose]).toEqual([true, true]);
        expect(given.since_min).toBeGreaterThanOrEqual(OPEN_AFTER_MIN);
        for (const c of [given.reading_c, given.probe_c]) expect(c ?? 0).toBeLessThanOrEqual(OPEN_BELOW_C);
      }),
    );
  });

  it('a worse sign never opens it', () => {
    fc.assert(
      fc.property(signs, fc.double({ min: 0, max: 60, noNaN: true }), (given, hotter) => {
        if (openingGate(given).open) return;
        const worse = { ...given, reading_c: given.reading_c === null ? null : given.reading_c + hotter };
        expect(openingGate(worse).open).toBe(false);
      }),
    );
  });
});
