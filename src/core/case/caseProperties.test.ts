import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../base';
import { CATALOGUE } from '../evidence';
import type { Entry, KnownEntry } from './entry';
import { MEASUREMENTS, valuesOf, type MeasurementName } from './measurements';
import { made, madeDrive, oddsOf } from '../../../tests/support/madeCases';
import { WORK_KINDS } from './work';

const at = fc.integer({ min: 1, max: 1_000_000 });

/** One answer to each of some items: independent of each other. */
const answers = fc
  .uniqueArray(fc.tuple(fc.constantFrom(...CATALOGUE), fc.nat(3)), { selector: ([item]) => item.id, maxLength: 8 })
  .map((list) =>
    list
      .filter(([item]) => !item.onlyHeated)
      .map(([item, n], i): Entry => {
        const answer = item.answers[n % item.answers.length]!.key;
        const base = { id: `a${i}`, at: 1000 + i, item: item.id, answer };
        if (item.stage === 'complaint' || item.stage === 'code') return { ...base, kind: 'statement' };
        return { ...base, kind: 'check', minute: null };
      }),
  );

const measurement = fc
  .tuple(
    fc.constantFrom(...(Object.keys(MEASUREMENTS) as MeasurementName[])),
    fc.double({ min: 0, max: 1, noNaN: true }),
    at,
  )
  .map(([name, share, when], i = 0): Entry => {
    const values = Object.fromEntries(
      Object.entries(valuesOf(name)).map(([key, s]) => [key, s.min + share * (s.max - s.min)]),
    );
    return { id: `m${when}${i}`, at: when, kind: 'measurement', name, values, tolerance: {}, place: '', text: '' };
  });

const course = fc
  .array(fc.double({ min: -8, max: 8, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((logs) => madeDrive(Object.fromEntries(CAUSES.map((c, i) => [c, logs[i]!])) as Record<Cause, number>));

const anything = fc.array(
  fc.oneof(
    answers.map((list) => list[0] ?? null),
    measurement,
    fc.tuple(fc.constantFrom(...WORK_KINDS), at).map(([work, when]): KnownEntry => ({
      kind: 'work',
      id: `w${when}`,
      at: when,
      work,
      detail: '',
      benchPassed: false,
    })),
    at.map((when): Entry => ({ kind: 'drive', id: `d${when}`, at: when, traceId: 'a', leftOut: '' })),
    at.map((when): Entry => ({ kind: 'unknown', id: `u${when}`, at: when, why: '?', original: {} })),
  ),
  { maxLength: 9 },
);

describe('any chronicle', () => {
  it('gives odds that sum to one, now and at arrival, after every entry', () => {
    fc.assert(
      fc.property(anything, course, (list, drive) => {
        const entries = list.filter((e) => e !== null);
        const found = made(entries, { a: drive });
        for (const odds of [found.now, found.atArrival]) {
          expect(odds.reduce((s, o) => s + o.probability, 0)).toBeCloseTo(1, 9);
          for (const o of odds) expect(o.probability).toBeGreaterThanOrEqual(0);
        }
        for (const step of found.steps) expect(CAUSES.reduce((s, c) => s + step.now[c], 0)).toBeCloseTo(1, 9);
        expect(found.lines.every((l) => Number.isFinite(l.moved.factor))).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('does not care for the order of independent entries before any work', () => {
    fc.assert(
      fc.property(answers, fc.infiniteStream(fc.nat()), course, (list, shuffle, drive) => {
        const entries: Entry[] = [...list, { kind: 'drive', id: 'd', at: 2000, traceId: 'a', leftOut: '' }];
        const keys = entries.map(() => shuffle.next().value as number);
        const order = entries.map((_, i) => i).sort((a, b) => keys[a]! - keys[b]! || a - b);
        const other = entries.map((e, i) => ({ ...e, at: order[i]! }));
        const [one, two] = [oddsOf(made(entries, { a: drive }).now), oddsOf(made(other, { a: drive }).now)];
        for (const c of CAUSES) expect(two[c]).toBeCloseTo(one[c], 9);
      }),
      { numRuns: 60 },
    );
  });

  it('taking an entry back gives the odds of before', () => {
    fc.assert(
      fc.property(anything, measurement, course, (list, extra, drive) => {
        const entries = list.filter((e) => e !== null);
        const before = made(entries, { a: drive });
        const back = made([...entries, { ...extra, takenBack: true }], { a: drive });
        expect(oddsOf(back.now)).toEqual(oddsOf(before.now));
        expect(oddsOf(back.atArrival)).toEqual(oddsOf(before.atArrival));
      }),
      { numRuns: 40 },
    );
  });

  it('a measurement far within the tolerance of sound never accuses', () => {
    const small = fc.double({ min: -0.8, max: 0.8, noNaN: true });
    const base = oddsOf(made([]).now);
    const faulty = (odds: Readonly<Record<Cause, number>>) => 1 - odds.healthy - odds['insufficient-heat'];
    const read = (name: MeasurementName, values: Record<string, number>): Entry => ({
      ...{ id: 'm', at: 1, kind: 'measurement', name, values, tolerance: {}, place: '', text: '' },
    });
    fc.assert(
      fc.property(small, small, fc.double({ min: -20, max: 30, noNaN: true }), (a, b, air) => {
        const soak = read('soak', { ect_c: air + a, iat_c: air + b, outside_c: air, stood_h: 12 });
        const housing = read('housing', { housing_c: 86 + a, scan_c: 86 + b });
        const needle = read('needle', { gauge_c: 86 + a, scan_c: 86 });
        const rails = read('rails', { unplugged_c: -40 + a, bridged_c: 140 + b });
        const cap = read('cap', { stamped_kpa: 110, releases_kpa: 109 + a });
        const level = read('level', { above_mark_mm: 6 + a, at_c: 15 });
        for (const entry of [soak, housing, needle, rails, cap, level]) {
          const odds = oddsOf(made([entry]).now);
          expect(faulty(odds), entry.kind === 'measurement' ? entry.name : '').toBeLessThanOrEqual(faulty(base) + 1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('a sender compared with a curve that is not its own says almost nothing', () => {
    const ohms = fc.double({ min: 0.5, max: 2, noNaN: true });
    fc.assert(
      fc.property(ohms, (factor) => {
        const entry: Entry = {
          ...{ id: 'm', at: 1, kind: 'measurement', name: 'resistance', tolerance: {}, place: '', text: '' },
          values: { cold_c: 20, cold_ohm: 2500 * factor, warm_c: 80, warm_ohm: 320 * factor },
        };
        const odds = oddsOf(made([entry]).now);
        const base = oddsOf(made([]).now);
        for (const c of CAUSES.filter((x) => base[x] > 0)) expect(odds[c] / base[c]).toBeLessThan(1.7);
        expect(odds['sender-reads-low'] / base['sender-reads-low']).toBeGreaterThan(0.55);
      }),
    );
  });
});
