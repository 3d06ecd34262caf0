import { describe, expect, it } from 'vitest';
import { CAUSES, perCause, type Cause } from '../base';
import { startingVehicle } from '../planning';
import { BASE_RATES, buildCatalogue, CATALOGUE, catalogueItem, findItem, isAnswer } from './index';
import { describeTest, entropy_bits, openTests, proposeTest } from './nextTest';
import { headlineOf } from './headline';
import { sortedOdds } from './grade';

const outlet = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const inlet = { ...outlet, thermostat: { ...outlet.thermostat, location: 'inlet' as const } };
const even = Object.fromEntries(CAUSES.map((c) => [c, 1 / CAUSES.length])) as Record<Cause, number>;

describe('evidence catalogue', () => {
  it.each(CATALOGUE.map((item) => [item.id, item] as const))(
    '%s: answers are probabilities with a reason',
    (_, item) => {
      for (const vehicle of [outlet, inlet]) {
        for (const cause of CAUSES) {
          const sum = item.answers.reduce((s, answer) => s + item.likelihood(answer.key, vehicle)[cause], 0);
          expect(sum).toBeCloseTo(1, 6);
        }
      }
      expect(item.reason.length).toBeGreaterThan(20);
      expect(item.minutes).toBeGreaterThanOrEqual(0);
    },
  );

  it('the hose rule flips with the layout', () => {
    const item = catalogueItem('hose-top-2min');
    const ratio = (vehicle: typeof outlet) => {
      const p = item.likelihood('warm', vehicle);
      return p['thermostat-stuck-open'] / p.healthy;
    };
    expect(ratio(outlet)).toBeGreaterThan(5);
    expect(ratio(inlet)).toBeLessThan(ratio(outlet) / 3);
  });

  it('takes a shop’s own table for one layout, and leaves the other as shipped', () => {
    const own = { outlet: [perCause(() => 0.3), perCause(() => 0.7)] };
    const item = catalogueItem('hose-top-2min', buildCatalogue({ 'hose-top-2min': own }));
    expect(item.likelihood('warm', outlet).healthy).toBe(0.3);
    expect(item.likelihood('warm', inlet)).toEqual(catalogueItem('hose-top-2min').likelihood('warm', inlet));
  });

  it('knows its answers by key, in whatever order they stand', () => {
    expect(isAnswer('look-level-low', 'at-the-mark')).toBe(true);
    expect(isAnswer('look-level-low', 'maybe')).toBe(false);
    expect(isAnswer('top-hose-cold', 'yes')).toBe(false);
    expect(() => catalogueItem('look-belt').likelihood('maybe', outlet)).toThrow(/has no answer maybe/);
    expect(new Set(CATALOGUE.flatMap((i) => i.answers.map((a) => `${i.id} ${a.key}`))).size).toBe(
      CATALOGUE.reduce((sum, i) => sum + i.answers.length, 0),
    );
  });

  it('has no item twice', () => {
    expect(new Set(CATALOGUE.map((i) => i.id)).size).toBe(CATALOGUE.length);
    expect(findItem('nothing')).toBeNull();
  });
});

describe('next test', () => {
  it('entropy of even odds is the logarithm of their number', () => {
    expect(entropy_bits(even)).toBeCloseTo(Math.log2(CAUSES.length), 9);
  });

  it('a test cannot be expected to lose information, and its outcomes cover everything', () => {
    for (const item of CATALOGUE) {
      const proposal = proposeTest(item, even, outlet);
      expect(proposal.gain_bits).toBeGreaterThanOrEqual(0);
      expect(proposal.outcomes.reduce((s, o) => s + o.probability, 0)).toBeCloseTo(1, 6);
    }
  });

  it('separates sender from open path with a test that tells them apart, and does not repeat one', () => {
    const torn = {
      ...Object.fromEntries(CAUSES.map((c) => [c, 0.001])),
      'thermostat-stuck-open': 0.5,
      'sender-reads-low': 0.49,
    } as Record<Cause, number>;
    const first = openTests(torn, outlet)[0]!;
    const leaders = new Set(first.outcomes.map((o) => o.leader));
    expect(leaders).toEqual(new Set(['thermostat-stuck-open', 'sender-reads-low']));
    expect(openTests(torn, outlet, { done: new Set([first.item.id]) }).map((p) => p.item.id)).not.toContain(
      first.item.id,
    );
    expect(describeTest(first).why).toMatch(/min\. .*%/);
  });

  it('asks about the heating element only where there is one', () => {
    const ids = openTests({ ...even, 'thermostat-heating-fault': 0.5 }, outlet).map((p) => p.item.id);
    expect(ids.some((id) => catalogueItem(id).onlyHeated)).toBe(false);
  });
});

describe('headline', () => {
  const odds = (change: Partial<Record<Cause, number>>) => sortedOdds(perCause((c) => change[c] ?? 0.001));

  it('sums causes that lead to the same act', () => {
    const found = headlineOf(
      odds({ 'thermostat-stuck-open': 0.4, 'thermostat-leaking': 0.25, 'thermostat-opens-early': 0.13 }),
    );
    expect(found.text).toBe('Thermostat lets coolant through too soon');
    expect(found.share).toBeCloseTo(0.78, 9);
    expect(found.parts.map((p) => p.cause)).toEqual([
      'thermostat-stuck-open',
      'thermostat-leaking',
      'thermostat-opens-early',
    ]);
    expect(found.grade).toBe('suspect');
    expect(found.then).toMatch(/bench-test/);
  });

  it('names one cause where it stands alone', () => {
    const found = headlineOf(odds({ 'thermostat-stuck-open': 0.96 }));
    expect(found.text).toBe('Thermostat stuck open');
    expect(found.grade).toBe('confirmed');
  });

  it('cannot tell below half, and between sender and thermostat', () => {
    expect(headlineOf(sortedOdds(BASE_RATES))).toMatchObject({ text: 'Cannot tell yet', share: null });
    const torn = headlineOf(odds({ 'thermostat-opens-early': 0.52, 'sender-reads-low': 0.45 }));
    expect(torn).toMatchObject({ text: 'Cannot tell yet', grade: 'inconclusive' });
  });
});
