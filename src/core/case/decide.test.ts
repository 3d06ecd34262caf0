import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, perCause, type Cause, type PerCause } from '../base';
import { CATALOGUE, catalogueItem, openTests, proposeTest } from '../evidence';
import { CAR } from '../../../tests/support/madeCases';
import { actionCosts, cures, decide, testWorth, type DecisionBasis } from './decide';
import { estimatedPrices, pricesFor, type Prices } from './prices';
import { WORK_RISKS } from './work';

/** Round figures, so that a table can be worked by hand. */
const PRICES: Prices = {
  currency: 'crowns',
  labourPerHour: 60,
  thermostat: 40,
  sender: 20,
  fanRepair: 100,
  coolant: 30,
  radiator: 200,
  pump: 100,
  comeBack: 500,
  engineDamage: 2000,
};
const basis: DecisionBasis = { vehicle: CAR, prices: PRICES, risks: WORK_RISKS };
const odds = (change: Partial<Record<Cause, number>>): PerCause<number> => perCause((c) => change[c] ?? 0);

const anyOdds = fc
  .array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((raw) => {
    const total = raw.reduce((a, b) => a + b, 0);
    return perCause((c) => raw[CAUSES.indexOf(c)]! / total);
  });

describe('what a choice costs', () => {
  it('is the table worked by hand', () => {
    // Stuck open 0.5, sender reads low 0.3, sound 0.2.
    const costs = actionCosts(odds({ 'thermostat-stuck-open': 0.5, 'sender-reads-low': 0.3, healthy: 0.2 }), basis);
    const of = (action: string) => costs.find((c) => c.action === action)!;
    // Thermostat: cures 0.98 of the stuck, spoils 0.03: 0.5·0.98·0.97 + 0.2·0.97 = 0.6693 cured.
    // 70 for parts, 90 min = 90 labour, 0.3307·500 = 165.35 come back, 0.3·0.02·2000 = 12 damage.
    expect(of('replace-thermostat').p_cured).toBeCloseTo(0.6693, 6);
    expect(of('replace-thermostat').cost).toBeCloseTo(70 + 90 + 165.35 + 12, 4);
    // Sender: 0.3·0.8·0.97 + 0.2·0.97 = 0.4268; left uncured 0.3·0.224 = 0.0672 of reads-low, 0.02 of them damaged.
    expect(of('replace-sender').p_cured).toBeCloseTo(0.4268, 6);
    expect(of('replace-sender').cost).toBeCloseTo(20 + 30 + 0.5732 * 500 + 0.3 * 0.224 * 0.02 * 2000, 4);
    // Nothing: 10 min, 0.8 come back, 0.3·0.02 damaged.
    expect(of('leave-it').cost).toBeCloseTo(10 + 0.8 * 500 + 0.3 * 0.02 * 2000, 4);
    // Both: 1 - 0.97² = 0.0591 spoilt.
    const good = 1 - 0.0591;
    expect(of('replace-both').p_cured).toBeCloseTo((0.5 * 0.98 + 0.3 * 0.8 + 0.2) * good, 6);
    expect(costs.map((c) => c.cost)).toEqual([...costs.map((c) => c.cost)].sort((a, b) => a - b));
    expect(costs[0]!.action).toBe('replace-both');
  });

  it('a cold day is cured by being told so, and by no part', () => {
    expect(cures('leave-it', 'insufficient-heat', WORK_RISKS)).toBe(1);
    expect(cures('replace-thermostat', 'insufficient-heat', WORK_RISKS)).toBe(0);
    expect(actionCosts(odds({ 'insufficient-heat': 1 }), basis)[0]!.action).toBe('leave-it');
  });

  it('the heating circuit is mended only where there is one', () => {
    const heated = { ...CAR, thermostat: { ...CAR.thermostat, heated: true } };
    const offered = (vehicle: typeof CAR) =>
      actionCosts(odds({ healthy: 1 }), { ...basis, vehicle }).some((a) => a.action === 'mend-heating-circuit');
    expect(offered(CAR)).toBe(false);
    expect(offered(heated)).toBe(true);
  });

  it('a shop’s own prices stand in place of the estimates, which grow with the car', () => {
    const big = { ...CAR, engine: { ...CAR.engine, displacement_l: 6 } };
    expect(estimatedPrices(big).thermostat).toBeGreaterThan(estimatedPrices(CAR).thermostat);
    expect(pricesFor(big, { thermostat: 7 })).toMatchObject({ thermostat: 7, pump: estimatedPrices(big).pump });
  });
});

describe('the worth of a test', () => {
  it('is never negative', () => {
    fc.assert(
      fc.property(anyOdds, fc.constantFrom(...CATALOGUE), (p, item) => {
        const { worth, saves } = testWorth(proposeTest(item, p, CAR), p, basis);
        expect(worth).toBeGreaterThanOrEqual(0);
        expect(saves).toBeGreaterThanOrEqual(0);
        expect(saves).toBeLessThanOrEqual(worth);
      }),
    );
  });

  it('is nothing when no answer changes the choice', () => {
    const sure = odds({ 'thermostat-stuck-open': 0.97, healthy: 0.03 });
    const test = testWorth(proposeTest(catalogueItem('complaint-needle-jumps'), sure, CAR), sure, basis);
    expect(test).toMatchObject({ worth: 0, saves: 0 });
  });

  it('is the whole mistake when it tells everything', () => {
    // A fan that is dead or a car that is well, even odds, and a check that tells them apart nearly for sure.
    const torn = odds({ 'fan-not-running': 0.5, healthy: 0.5 });
    const proposal = proposeTest(catalogueItem('fan-cuts-in'), torn, CAR);
    const { worth } = testWorth(proposal, torn, basis);
    const best = actionCosts(torn, basis)[0]!.cost;
    const knowing =
      0.5 * actionCosts(odds({ healthy: 1 }), basis)[0]!.cost +
      0.5 * actionCosts(odds({ 'fan-not-running': 1 }), basis)[0]!.cost;
    expect(worth).toBeGreaterThan(0.7 * (best - knowing));
    expect(worth).toBeLessThanOrEqual(best - knowing + 1e-9);
  });

  it('ranks tests by what they save, and puts both ways to go on side by side', () => {
    const torn = odds({ 'thermostat-opens-early': 0.5, 'sender-reads-low': 0.5 });
    const found = decide(torn, openTests(torn, CAR), basis);
    const saves = found.tests.map((t) => t.saves);
    expect(saves).toEqual([...saves].sort((a, b) => b - a));
    expect(found.tests[0]!.saves).toBeGreaterThan(0);
    expect(found.testFirst!).toBeCloseTo(found.actions[0]!.cost - found.tests[0]!.saves, 6);
    expect(decide(torn, [], basis).testFirst).toBeNull();
  });
});
