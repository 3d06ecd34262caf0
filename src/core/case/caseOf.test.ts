import { describe, expect, it } from 'vitest';
import { CAUSES, NEIGHBOURS, perCause, type Cause } from '../base';
import { START_LINE } from '../evidence';
import { readEntry } from './readEntry';
import { CAR, chronicle, drive, hopeless, made, madeDrive, oddsOf, said, work } from '../../../tests/support/madeCases';
import { caseOf } from './caseOf';
import type { Entry } from './entry';
import { figuresOf, NO_OWN_FIGURES } from './figures';
import { complainedOf, saidBefore } from './standing';

const OPEN = NEIGHBOURS[0]!;
const sum = (odds: Readonly<Record<Cause, number>>, causes: readonly Cause[]) =>
  causes.reduce((s, c) => s + odds[c], 0);

/** A drive that shows an open path, and one that shows nothing wrong. */
const openDrive = madeDrive({ 'thermostat-stuck-open': 5, 'thermostat-leaking': 4, 'thermostat-opens-early': 3.5 });
const unclear = madeDrive({ 'thermostat-stuck-open': 1, 'sender-reads-low': 1, 'low-coolant-or-air': 0.5 });
const soundDrive = madeDrive({ healthy: 4, 'insufficient-heat': -5 });
const coldDrive = madeDrive({ healthy: -5, 'insufficient-heat': 4 });

describe('a case without work', () => {
  it('starts from the base rates and sums to one', () => {
    const { now, lines, steps, separability } = made([]);
    expect(now.reduce((s, o) => s + o.probability, 0)).toBeCloseTo(1, 9);
    expect(now).toHaveLength(CAUSES.length);
    expect(lines).toEqual([]);
    expect(steps).toHaveLength(1);
    expect(separability).toBeNull();
  });

  it('a shop’s own base rates count', () => {
    const own = figuresOf({ ...NO_OWN_FIGURES, baseRates: { 'sender-stuck': 0.9 } });
    const found = caseOf({ vehicle: CAR, senderPoints: [], entries: [], drives: new Map(), figures: own });
    expect(found.now[0]!.cause).toBe('sender-stuck');
  });

  it('a warm top hose speaks for an open path at the outlet, hardly at the inlet', () => {
    const entries = chronicle({ kind: 'check', item: 'hose-top-2min', answer: 'warm', minute: 2 });
    const gain = (location: 'outlet' | 'inlet') => {
      const vehicle = { ...CAR, thermostat: { ...CAR.thermostat, location } };
      const odds = (list: typeof entries) =>
        oddsOf(caseOf({ vehicle, senderPoints: [], entries: list, drives: new Map() }).now);
      return odds(entries)['thermostat-stuck-open'] / odds([])['thermostat-stuck-open'];
    };
    expect(gain('outlet')).toBeGreaterThan(2.5);
    expect(gain('inlet')).toBeLessThan(gain('outlet') / 2);
  });

  it('a cold look after a night and the first readings of a drive are one fact, in any order; after work they are two', () => {
    const shown = madeDrive({ healthy: 0 });
    const high = perCause((c) => (c === 'sender-reads-high' ? 3 : 0));
    const start = {
      id: START_LINE,
      kind: 'raw',
      seen: 'At the start',
      reason: '',
      source: '',
      logLikelihood: high,
    } as const;
    const drives = { a: { ...shown, evidence: [...shown.evidence, start] }, b: shown };
    const look = { kind: 'check', item: 'soak-agreement', answer: 'above', minute: 2 } as const;
    const of = (...entries: ReturnType<typeof drive>[]) =>
      oddsOf(made(chronicle(...entries), drives).now)['sender-reads-high'];
    const [a, b] = [drive('a'), drive('b')];
    expect(of(a)).toBeGreaterThan(3 * of(b));
    expect(of(look, a)).toBeCloseTo(of(look, b), 9);
    expect(of(a, look)).toBeCloseTo(of(b, look), 9);
    const { lines } = made(chronicle(drive('a'), look), drives);
    const parts = lines.flatMap((l) => l.parts.flatMap((p) => p.lines));
    expect(parts.find((l) => l.id === START_LINE)!.seen).toBe('At the start: counted by the cold look');
    const flushed = work('cleaned-radiator');
    expect(of(look, flushed, a)).toBeGreaterThan(1.2 * of(look, flushed, b));
  });

  it('further statements of one talk count less, in any order', () => {
    const a = said('complaint-slow-warm-up');
    const b = said('complaint-weak-heater');
    const odds = (...drafts: ReturnType<typeof said>[]) => oddsOf(made(chronicle(...drafts)).now);
    const both = odds(a, b)['thermostat-stuck-open'] / odds()['thermostat-stuck-open'];
    const alone = [a, b].map((x) => odds(x)['thermostat-stuck-open'] / odds()['thermostat-stuck-open']);
    expect(both).toBeLessThan(alone[0]! * alone[1]!);
    expect(odds(b, a)['thermostat-stuck-open']).toBeCloseTo(odds(a, b)['thermostat-stuck-open'], 12);
  });

  it('the latest answer to one question counts, and the earlier one keeps its place', () => {
    const low = { kind: 'check', item: 'look-level-low', answer: 'low', minute: null } as const;
    const right = { ...low, answer: 'at-the-mark' } as const;
    const entries = chronicle(low, right);
    const found = made(entries);
    expect(found.superseded).toEqual(new Set(['e0']));
    expect(oddsOf(found.now)).toEqual(oddsOf(made(chronicle(right)).now));
  });

  it('the same log read twice counts once, and an old one read again after work proves nothing', () => {
    const log = { ...openDrive, log: 'a print' };
    const twice = made(chronicle(drive('a'), drive('b')), { a: log, b: { ...log } });
    expect(oddsOf(twice.now)).toEqual(oddsOf(made(chronicle(drive('a')), { a: log }).now));
    expect(twice.drives.map((d) => d.counts)).toEqual([true, false]);
    expect(twice.drives[1]!.why).toMatch(/same log/);
    const once = made(chronicle(drive('a'), drive('a')), { a: openDrive });
    expect(once.drives.map((d) => d.counts)).toEqual([true, false]);
    const fixed = chronicle(drive('a'), work('replaced-thermostat'), drive('b'));
    const again = made(fixed, { a: log, b: { ...log } });
    expect(again.unproven).toBe(true);
    expect(oddsOf(again.now)).toEqual(oddsOf(made(fixed.slice(0, 2), { a: log }).now));
    // A first one that does not count leaves the second to speak.
    const left = chronicle({ ...drive('a'), leftOut: 'towed' } as ReturnType<typeof drive>, drive('b'));
    expect(made(left, { a: log, b: { ...log } }).drives.map((d) => d.counts)).toEqual([false, true]);
  });

  it('proposes no test that was answered, and the log again after a drive that cannot tell', () => {
    const first = made([]).next[0]!.item;
    const answered = made(chronicle({ kind: 'check', item: first.id, answer: first.answers[1]!.key, minute: null }));
    expect(answered.next.map((n) => n.item.id)).not.toContain(first.id);
    expect(made(chronicle(drive('a')), { a: hopeless() }).next[0]!.item.id).toBe('cold-start-log');
    const proposed = (...drives: string[]) =>
      made(chronicle(...drives.map(drive)), { a: openDrive, b: hopeless(), c: hopeless() }).next.map((n) => n.item.id);
    expect(proposed('a')).not.toContain('cold-start-log');
    // One drive that tells is enough, whatever else was logged.
    for (const drives of [
      ['a', 'b'],
      ['b', 'a'],
      ['b', 'a', 'c'],
    ]) {
      expect(proposed(...drives)).not.toContain('cold-start-log');
    }
    expect(proposed('b', 'c')[0]).toBe('cold-start-log');
  });

  it('entries of another version and taken-back ones are kept and move nothing', () => {
    const odd = [
      readEntry({ kind: 'seance', id: 'x', at: 5 }, { id: '', at: 0 }),
      readEntry({ kind: 'check', id: 'y', at: 6, item: 'top-hose-cold', answer: 'warm' }, { id: '', at: 0 }),
    ];
    const entries = [...odd, { ...chronicle(said('complaint-overheats'))[0]!, takenBack: true }];
    const found = made(entries);
    expect(oddsOf(found.now)).toEqual(oddsOf(made([]).now));
    expect(found.unknown.map((e) => e.id)).toEqual(['x', 'y']);
  });
});

describe('several drives of one car', () => {
  const mild = { 'thermostat-stuck-open': 1.5, healthy: 0, 'insufficient-heat': 0 } as const;

  it('under the same cause sharpen the odds', () => {
    const one = made(chronicle(drive('a')), { a: madeDrive(mild) });
    const two = made(chronicle(drive('a'), drive('b')), { a: madeDrive(mild), b: madeDrive(mild) });
    expect(oddsOf(two.now)['thermostat-stuck-open']).toBeGreaterThan(oddsOf(one.now)['thermostat-stuck-open']);
    expect(two.drives.map((d) => d.counts)).toEqual([true, true]);
  });

  it('a hopeless one changes nothing but says why it does not count', () => {
    const one = made(chronicle(drive('a')), { a: openDrive });
    const both = made(chronicle(drive('a'), drive('b')), { a: openDrive, b: hopeless() });
    expect(oddsOf(both.now)).toEqual(oddsOf(one.now));
    expect(both.drives[1]).toMatchObject({ counts: false, why: 'Hot start at 82 °C.' });
  });

  it('one that is not judged yet, or left out, does not count', () => {
    const entries = chronicle(drive('a'), { ...drive('b'), leftOut: 'towed' } as ReturnType<typeof drive>);
    const found = made(entries, { b: openDrive });
    expect(found.drives.map((d) => d.why)).toEqual(['Not judged yet.', 'Left out: towed']);
    expect(found.lines).toEqual([]);
  });

  it('a cold day and a mild one of a sound car do not speak against each other', () => {
    const found = made(chronicle(drive('a'), drive('b')), { a: coldDrive, b: soundDrive });
    expect(sum(oddsOf(found.now), ['healthy', 'insufficient-heat'])).toBeGreaterThan(0.9);
    expect(found.headline.text).toBe('Nothing wrong on the car');
  });
});

describe('work', () => {
  const start = [said('complaint-slow-warm-up'), drive('a')] as const;

  it('thermostat replaced, then a sound drive: it was the thermostat, and it is well now', () => {
    const before = made(chronicle(...start), { a: unclear });
    const found = made(chronicle(...start, work('replaced-thermostat'), drive('b')), { a: unclear, b: soundDrive });
    expect(found.now[0]!.cause).toBe('healthy');
    expect(sum(oddsOf(found.atArrival), OPEN)).toBeGreaterThan(1.5 * sum(oddsOf(before.now), OPEN));
    expect(found.separability).toMatchObject({ separable: true });
    expect(found.separability!.says).toMatch(/Most likely mattered: replaced the thermostat/);
  });

  it('thermostat, sender and coolant replaced, then a sound drive: not separable, with the numbers', () => {
    const drives = { a: unclear, b: soundDrive };
    const works = [work('replaced-thermostat'), work('replaced-sender'), work('drained-and-filled')];
    const found = made(chronicle(...start, ...works, drive('b')), drives);
    expect(found.now[0]!.cause).toBe('healthy');
    expect(found.separability!.separable).toBe(false);
    expect(found.separability!.says).toMatch(/Not separable: replaced the \w+ \d+ %, .*nobody can say/);
    expect(found.separability!.shares.filter((s) => s.share > 0.08).length).toBeGreaterThan(1);
    const atArrival = oddsOf(found.atArrival);
    expect(atArrival['sender-reads-low']).toBeGreaterThan(0.1);
    expect(sum(atArrival, OPEN)).toBeGreaterThan(0.1);
  });

  it('replaced, no better: the thermostat falls, the others rise', () => {
    const before = made(chronicle(...start), { a: unclear });
    const after = made(chronicle(...start, work('replaced-thermostat'), said('complaint-slow-warm-up')), {
      a: unclear,
    });
    expect(sum(oddsOf(after.now), OPEN)).toBeLessThan(sum(oddsOf(before.now), OPEN) / 3);
    expect(oddsOf(after.now)['sender-reads-low']).toBeGreaterThan(oddsOf(before.now)['sender-reads-low']);
  });

  it('a part that failed before is trusted less, a bench-tested one more', () => {
    const fitted = (benchPassed: boolean, ...earlier: ReturnType<typeof work>[]) =>
      sum(
        oddsOf(
          made(
            chronicle(...earlier, {
              ...{ kind: 'work', work: 'replaced-thermostat', detail: '' },
              benchPassed,
            }),
          ).now,
        ),
        OPEN,
      );
    expect(fitted(true)).toBeLessThan(fitted(false));
    expect(fitted(false, work('replaced-thermostat'))).toBeGreaterThan(fitted(false));
  });

  it('opening the system may leave air, and a bleed check takes it away again', () => {
    const healthy = chronicle(drive('a'), work('replaced-sender'));
    const drives = { a: madeDrive({ healthy: 9, 'insufficient-heat': 0 }) };
    const air = (entries: typeof healthy) => oddsOf(made(entries, drives).now)['low-coolant-or-air'];
    const checked = chronicle(drive('a'), work('replaced-sender'), {
      ...{ kind: 'check', item: 'level-drop', answer: 'held', minute: null },
    });
    expect(air(healthy)).toBeGreaterThan(2 * air(chronicle(drive('a'))));
    expect(air(checked)).toBeLessThan(air(healthy));
  });

  it('a code that was cleared is one of before', () => {
    const [code, fix] = chronicle(
      { kind: 'code', code: 'P0128', freezeFrame: '', clearedAt: null },
      work('replaced-thermostat'),
    );
    const late = { ...code!, at: 500_000 } as Extract<typeof code, { kind: 'code' }>;
    const stands = made([fix!, late]);
    const cleared = made([fix!, { ...late, clearedAt: fix!.at - 5 } as typeof late]);
    expect(sum(oddsOf(stands.now), OPEN)).toBeGreaterThan(sum(oddsOf(cleared.now), OPEN));
    expect(sum(oddsOf(cleared.atArrival), OPEN)).toBeGreaterThan(sum(oddsOf(stands.atArrival), OPEN));
  });

  it('leaves what was said before it in sight, as it stood then', () => {
    const at = (n: number) => ({ id: `s${n}`, at: n });
    const told = (n: number, item: string, answer: string): Entry => ({ ...at(n), kind: 'statement', item, answer });
    const entries: Entry[] = [
      told(1, 'complaint-slow-warm-up', 'yes'),
      told(2, 'complaint-weak-heater', 'yes'),
      told(3, 'complaint-weak-heater', 'no'),
      { ...at(4), kind: 'work', work: 'replaced-cap', detail: '', benchPassed: false },
      told(5, 'complaint-overheats', 'yes'),
    ];
    expect(saidBefore(entries)).toEqual(['complaint-slow-warm-up']);
    expect(saidBefore(entries.slice(0, 3))).toEqual([]);
    // The proof repeats what was complained of before the work, and what is said since.
    expect(complainedOf(entries)).toContain('complaint-slow-warm-up');
    const more = { kind: 'statement', id: 'more', at: 9e12, item: 'complaint-overheats', answer: 'yes' } as const;
    expect(complainedOf([...entries, more])).toEqual(['complaint-slow-warm-up', 'complaint-overheats']);
  });

  it('waits for its proof until a drive counts', () => {
    const fixed = [...start, work('replaced-thermostat')] as const;
    const before = made(chronicle(...fixed), { a: openDrive });
    expect(before.unproven).toBe(true);
    expect(before.next[0]!.item.id).toBe('cold-start-log');
    const after = made(chronicle(...fixed, drive('b')), { a: openDrive, b: soundDrive });
    expect(after.unproven).toBe(false);
    expect(made(chronicle(...fixed, drive('b')), { a: openDrive, b: hopeless() }).unproven).toBe(true);
  });

  it('stands in the odds over time as a step of its own', () => {
    const found = made(chronicle(...start, work('replaced-thermostat')), { a: openDrive });
    expect(found.steps.map((s) => s.kind)).toEqual(['note', 'statement', 'drive', 'work']);
    expect(found.steps.at(-1)!.says).toBe('Replaced the thermostat');
  });
});
