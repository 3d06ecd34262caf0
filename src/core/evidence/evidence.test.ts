import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../base';
import { startingVehicle } from '../planning';
import { CATALOGUE, catalogueItem, readCatalogue } from './catalogue/catalogue';
import { bestTests, describeTest, entropy_bits, proposeTest } from './nextTest';

const outlet = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const inlet = { ...outlet, thermostat: { ...outlet.thermostat, location: 'inlet' as const } };
const even = Object.fromEntries(CAUSES.map((c) => [c, 1 / CAUSES.length])) as Record<Cause, number>;

describe('evidence catalogue', () => {
  it.each(CATALOGUE.map((item) => [item.id, item] as const))(
    '%s: answers are probabilities with a reason',
    (_, item) => {
      for (const vehicle of [outlet, inlet]) {
        for (const cause of CAUSES) {
          const sum = item.answers.reduce((s, _answer, i) => s + item.likelihood(i, vehicle)[cause], 0);
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
      const p = item.likelihood(0, vehicle);
      return p['thermostat-stuck-open'] / p.healthy;
    };
    expect(ratio(outlet)).toBeGreaterThan(5);
    expect(ratio(inlet)).toBeLessThan(ratio(outlet) / 3);
  });

  it('refuses a file with a misspelt cause or a probability of one', () => {
    const file = (yes: Record<string, number>) => ({
      schema: 'varmek-evidence/1',
      groups: {},
      items: [
        { id: 'a', stage: 'bench', ask: 'A?', answers: ['yes', 'no'], minutes: 1, reason: 'because it is so', yes },
      ],
    });
    expect(() => readCatalogue(file({ default: 0.1, thermostat: 0.5 }))).toThrow(/unknown cause thermostat/);
    expect(() => readCatalogue(file({ default: 1 }))).toThrow(/less than 1/);
    expect(() => readCatalogue(file({ healthy: 0.5 }))).toThrow(/without "default"/);
  });

  it('has no item twice', () => {
    expect(new Set(CATALOGUE.map((i) => i.id)).size).toBe(CATALOGUE.length);
    expect(() => catalogueItem('nothing')).toThrow(/no item nothing/);
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
    const first = bestTests(torn, outlet)[0]!;
    const leaders = new Set(first.outcomes.map((o) => o.leader));
    expect(leaders).toEqual(new Set(['thermostat-stuck-open', 'sender-reads-low']));
    expect(bestTests(torn, outlet, new Set([first.item.id])).map((p) => p.item.id)).not.toContain(first.item.id);
    expect(describeTest(first).why).toMatch(/min\. .*%/);
  });

  it('asks about the heating element only where there is one', () => {
    const ids = bestTests({ ...even, 'thermostat-heating-fault': 0.5 }, outlet, new Set(), 99).map((p) => p.item.id);
    expect(ids.some((id) => catalogueItem(id).onlyHeated)).toBe(false);
  });
});
