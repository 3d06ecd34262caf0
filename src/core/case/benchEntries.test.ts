import { describe, expect, it } from 'vitest';
import { newSenderBench, newThermostatBench, readingsOf, type BenchTest } from '../bench';
import { appliesTo, CATALOGUE, openTests, BASE_RATES, logPriors, toProbabilities } from '../evidence';
import { boilingOf } from '../limits';
import { startingVehicle } from '../planning';
import { caseOf } from './caseOf';
import { coolantState } from './coolantState';
import type { Entry } from './entry';
import { readEntry } from './readEntry';
import { benchTests } from './standing';

const VEHICLE = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
let at = 0;
const bench = (test: BenchTest, part: 'old' | 'new' = 'old'): Entry => ({
  ...{ id: `b${++at}`, at, kind: 'bench', item: '', answer: '', part, text: '' },
  test,
});
const work = (kind: 'drained-and-filled' | 'replaced-sender'): Entry => ({
  ...{ id: `w${++at}`, at, kind: 'work', work: kind, detail: '', benchPassed: false },
});
const mix = (reads_c: number, glycol: 'ethylene' | 'propylene' = 'ethylene'): Entry =>
  bench({ of: 'mix', glycol, scale: glycol, reads_c });
const caseWith = (...entries: Entry[]) => caseOf({ vehicle: VEHICLE, senderPoints: [], entries, drives: new Map() });
const scan = (off_k: number): BenchTest => ({
  ...newSenderBench('engine', []),
  readings: readingsOf([20, 60, 95].map((c) => ({ true_c: c, of: 'shown_c', value: c + off_k }))),
});

describe('bench tests as entries', () => {
  const fallback = { id: 'f', at: 9 };
  const raw = { kind: 'bench', id: 'a', at: 5, part: 'old', item: '', answer: '', text: '' };

  it('are read with what they hold; extra fields go, unknown kinds stay whole', () => {
    const test = { ...newThermostatBench(88, null, 0), colour: 'red' };
    const entry = readEntry({ ...raw, test }, fallback);
    expect(entry).toMatchObject({ kind: 'bench', test: { of: 'thermostat', rated_c: 88 } });
    expect(entry.kind === 'bench' && entry.test).not.toHaveProperty('colour');
    const strange = readEntry({ ...raw, test: { of: 'viscosity', x: 1 } }, fallback);
    expect(strange).toMatchObject({ kind: 'unknown', original: { test: { of: 'viscosity', x: 1 } } });
    const wrong = readEntry({ ...raw, test: { of: 'thermostat', rated_c: 900 } }, fallback);
    expect(wrong.kind === 'unknown' && wrong.why).toMatch(/rated_c/);
    expect(readEntry(raw, fallback).kind).toBe('unknown');
    expect(readEntry({ ...raw, item: 'gas-test', answer: 'stays' }, fallback).kind).toBe('bench');
  });

  it('the latest of a kind stands, others of their part and sender beside it, work ends them', () => {
    const first = bench(scan(0));
    const second = bench(scan(-9));
    const gauge = bench({ ...newSenderBench('gauge', []), readings: [] });
    const fresh = bench(scan(0), 'new');
    const all = [first, second, gauge, fresh];
    const old = { of: 'sender', which: 'engine', part: 'old' } as const;
    expect(benchTests(all, old).map((e) => e.id)).toEqual([second.id, first.id]);
    expect(benchTests(all, { ...old, which: 'gauge' }).map((e) => e.id)).toEqual([gauge.id]);
    expect(benchTests(all, { ...old, part: 'new' }).map((e) => e.id)).toEqual([fresh.id]);
    expect(benchTests([...all, work('replaced-sender')], old)).toEqual([]);
  });

  it('move the odds once, the later reading of the same thing in place of the earlier one', () => {
    const low = bench(scan(-12));
    const share = (found: ReturnType<typeof caseWith>) =>
      found.now.find((o) => o.cause === 'sender-reads-low')!.probability;
    const none = share(caseWith());
    const once = caseWith(low);
    const twice = caseWith(bench(scan(-12)), low);
    expect(share(once)).toBeGreaterThan(5 * none);
    expect(share(twice)).toBeCloseTo(share(once), 6);
    expect(twice.superseded.size).toBe(1);
    expect(share(caseWith(low, bench(scan(0))))).toBeLessThan(none);
    // Answered on the bench: neither is proposed again.
    const proposed = once.decision.tests.map((t) => t.proposal.item.id);
    expect(proposed).not.toContain('sender-resistance');
    expect(proposed).not.toContain('housing-infrared');
  });

  it('of before the work speaks of before the work', () => {
    const found = caseWith(bench(scan(-12)), work('replaced-sender'));
    const of = (odds: typeof found.now) => odds.find((o) => o.cause === 'sender-reads-low')!.probability;
    expect(of(found.now)).toBeLessThan(of(found.atArrival) / 2);
  });

  it('a step of the case says what was seen', () => {
    const found = caseWith(bench(scan(-12)));
    expect(found.steps.at(-1)!.says).toMatch(/3 readings against a thermometer: widest 12.0 K low at/);
    expect(found.lines.at(-1)!.source).toBe('bench');
  });
});

describe('the mix', () => {
  it('is the latest reading, of its own glycol, until the coolant is changed', () => {
    const state = (...entries: Entry[]) => coolantState(entries, VEHICLE, 0);
    expect(state().glycol_pct).toBe(VEHICLE.coolant.glycol_pct);
    expect(state(mix(-22.3)).glycol_pct).toBeCloseTo(37.5, 3);
    const propylene = state(mix(-22.3), mix(-21.1, 'propylene'));
    expect(propylene.glycol).toBe('propylene');
    expect(propylene.glycol_pct).toBeCloseTo(39.6, 3);
    expect(state(mix(-21.1, 'propylene'), work('drained-and-filled'))).toMatchObject({
      ...{ glycol: 'ethylene', glycol_pct: VEHICLE.coolant.glycol_pct },
    });
    // Propylene glycol raises the boiling point less.
    const boils = (glycol: 'ethylene' | 'propylene') => boilingOf({ ...state(), glycol, glycol_pct: 50 }).boils_c;
    expect(boils('propylene')).toBeLessThan(boils('ethylene') - 1);
  });

  it('moves no odds', () => {
    const shares = (entries: Entry[]) => caseWith(...entries).now.map((o) => o.probability);
    expect(shares([mix(-30)])).toEqual(shares([]));
  });
});

describe('which tests are asked of which vehicle', () => {
  const odds = toProbabilities(logPriors(BASE_RATES));
  const asked = (kind: 'electric' | 'viscous' | 'engine-driven') =>
    openTests(odds, { ...VEHICLE, fan: { ...VEHICLE.fan, kind } }).map((p) => p.item.id);

  it('an electric fan by its circuit, a viscous one by its roar, an engine-driven one by neither', () => {
    expect(asked('electric')).toContain('fan-commanded');
    expect(asked('electric')).not.toContain('clutch-roar');
    expect(asked('viscous')).not.toContain('fan-fuse');
    expect(asked('engine-driven').filter((id) => /^fan-(fuse|commanded|bridged|plug|current)|clutch/.test(id))).toEqual(
      [],
    );
  });

  it('every item without a restriction is asked of all', () => {
    for (const item of CATALOGUE.filter((i) => !i.onlyHeated && i.onlyFan === null)) {
      expect(appliesTo(item, VEHICLE)).toBe(true);
    }
  });
});
