import { describe, expect, it } from 'vitest';
import { freezing_c } from '../coolant';
import { startingVehicle } from '../planning';
import {
  aimOf,
  bleedReserve_l,
  cleanerDose,
  containersFor,
  cyclesUntil,
  fastenerDoubt,
  fillingPlan,
  flushAdvice,
  growsBy_l,
  HEAD_SIZES,
  inchFor,
  insideNow,
  leftAfter_pct,
  newSheet,
  ratioText,
  strengthBought_pct,
  strengthFor,
  torqueDoubt,
  totals,
  USUAL_CLIMATE,
  type LedgerLine,
} from '.';

const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const line = (kind: LedgerLine['kind'], l: number, pct: number | null = null): LedgerLine => ({
  ...{ id: `${kind} ${l}`, at: 0, kind, l, measuredBy: 'jug', where: '', pct },
});

describe('flushing', () => {
  it('three halves leave an eighth', () => {
    expect(leftAfter_pct(8, 4, 3)).toBeCloseTo(12.5, 9);
    expect(cyclesUntil(8, 4, 12.5)).toBe(3);
    expect(cyclesUntil(8, 4, 12.4)).toBe(4);
    expect(leftAfter_pct(8, 4, 0)).toBe(100);
  });

  it('knows a system that empties, and one that needs nothing', () => {
    expect(cyclesUntil(8, 8, 1)).toBe(1);
    expect(leftAfter_pct(8, 8, 1)).toBe(0);
    expect(cyclesUntil(8, 4, 100)).toBe(0);
    for (const until of [50, 20, 5, 1, 0.1]) {
      const n = cyclesUntil(9, 3.3, until);
      expect(leftAfter_pct(9, 3.3, n)).toBeLessThanOrEqual(until + 1e-9);
      expect(leftAfter_pct(9, 3.3, n - 1)).toBeGreaterThan(until);
    }
  });

  it('doses a cleaner by the capacity, with what is let out again', () => {
    expect(cleanerDose({ can_l: 0.25, treats_l: 10 }, 8)).toEqual({
      dose_l: expect.closeTo(0.2, 9) as number,
      cans: 1,
    });
    // Half a litre of eight runs out again and takes its share of the dose.
    expect(cleanerDose({ can_l: 0.25, treats_l: 10 }, 8, 0.5).dose_l).toBeCloseTo(0.2 / (1 - 0.5 / 8), 9);
    expect(cleanerDose({ can_l: 0.25, treats_l: 5 }, 12).cans).toBe(3);
  });

  it('is advised by what is found, gently unless the parts are known to be sound', () => {
    const none = { deposits: null, spoilt: null, age_years: null, oldParts: null };
    expect(flushAdvice(none)).toMatchObject({ flush: false, gentle: true });
    expect(flushAdvice({ ...none, deposits: true })).toMatchObject({ flush: true });
    expect(flushAdvice({ ...none, spoilt: true, oldParts: false })).toMatchObject({ flush: true, gentle: false });
    expect(flushAdvice({ ...none, age_years: 7 }).why).toContain('7 years');
  });
});

describe('containers', () => {
  it('are whole, with what is left over and what it is worth', () => {
    expect(containersFor(4.2, 1.5, 12)).toEqual({
      ...{ containers: 3, bought_l: 4.5, left_l: expect.closeTo(0.3, 9) as number, cost: 36 },
      leftCost: expect.closeTo(2.4, 9) as number,
    });
    expect(containersFor(3, 1.5, 12).containers).toBe(2);
    expect(containersFor(0, 1.5, 12).containers).toBe(0);
    expect(bleedReserve_l(8)).toBeCloseTo(0.8);
    expect(bleedReserve_l(3)).toBe(0.5);
  });
});

describe('strength', () => {
  it('is the least that protects with margin and ageing, not less than the inhibitor', () => {
    const cold = strengthFor({ glycol: 'ethylene', coldest_c: -24, ...USUAL_CLIMATE });
    expect(cold.decidedBy).toBe('frost');
    expect(freezing_c(cold.target_pct - USUAL_CLIMATE.ageing_pct, 'ethylene')).toBeLessThanOrEqual(-29);
    expect(freezing_c(cold.target_pct - USUAL_CLIMATE.ageing_pct - 1.1, 'ethylene')).toBeGreaterThan(-29);
    expect(strengthFor({ glycol: 'ethylene', coldest_c: 5, ...USUAL_CLIMATE })).toMatchObject({
      ...{ target_pct: 33, decidedBy: 'inhibitor', tooCold: false },
    });
  });

  it('stays on the side where more still protects more, and says when nothing reaches it', () => {
    const arctic = strengthFor({ glycol: 'ethylene', coldest_c: -60, ...USUAL_CLIMATE });
    expect(arctic).toMatchObject({ target_pct: 68, tooCold: true });
  });

  it('names both sides of a ratio', () => {
    expect(ratioText(50)).toBe('1 part coolant concentrate to 1 part water');
    expect(ratioText(40)).toBe('2 parts coolant concentrate to 3 parts water');
    expect(ratioText(60)).toBe('3 parts coolant concentrate to 2 parts water');
    expect(ratioText(33)).toBe('7 parts coolant concentrate to 13 parts water');
  });

  it('by hand goes before the climate, and is held against it', () => {
    const { fill, plan } = newSheet(CAR);
    expect(aimOf(fill, plan.coolant)).toBeNull();
    expect(aimOf({ ...fill, target_pct: 40 }, plan.coolant)).toMatchObject({
      target_pct: 40,
      byHand: true,
      tooCold: false,
    });
    expect(aimOf({ ...fill, target_pct: 40, coldest_c: -30 }, plan.coolant)).toMatchObject({
      byHand: true,
      tooCold: true,
    });
    expect(aimOf({ ...fill, coldest_c: -30 }, plan.coolant)).toMatchObject({ byHand: false, tooCold: false });
  });
});

describe('a sheet’s filling', () => {
  const drain = {
    ...newSheet(CAR).drain,
    shortfall_l: 0.5,
    start_pct: 50,
    lines: [line('drained', 3), line('spilled', 0.5)],
  };

  it('follows shortfall, drains and what went in', () => {
    const inside = insideNow(drain, 6.5);
    expect(inside.ok && inside.value.inside_l).toBeCloseTo(2.5, 9);
    expect(totals([...drain.lines, line('added', 2, 100)])).toEqual({ out_l: 3.5, in_l: 2 });
    const more = insideNow({ ...drain, lines: [...drain.lines, line('added', 2, 100)] }, 6.5);
    expect(more.ok && more.value.pct).toBeCloseTo((100 * (1.25 + 2)) / 4.5, 9);
  });

  it('says how far an old coolant that nobody knows can move the result', () => {
    const known = insideNow(drain, 6.5);
    const unknown = insideNow({ ...drain, start_pct: null }, 6.5);
    if (!known.ok || !unknown.ok) throw new Error('the ledger does not add up');
    const sure = fillingPlan(known.value, 6.5, 50, 100);
    expect(sure.answer).toMatchObject({ reachable: true, add_l: expect.closeTo(2, 9) as number });
    const loose = fillingPlan(unknown.value, 6.5, 50, 100);
    expect(loose.low_pct).toBeLessThan(50 - 15);
    expect(loose.high_pct).toBeGreaterThan(50 + 15);
    expect(fillingPlan(known.value, 6.5, 10, 100).answer).toMatchObject({ reachable: false, why: 'too-strong' });
  });

  it('grows by about a twentieth of half a mix from cold to hot, and less to the opening', () => {
    const { coolant } = newSheet(CAR).plan;
    expect(growsBy_l(coolant, 50, 6, 20, 100)).toBeCloseTo(0.32, 2);
    expect(growsBy_l(coolant, 50, 6, 20, 88)).toBeLessThan(growsBy_l(coolant, 50, 6, 20, 100));
    expect(strengthBought_pct({ ...coolant, kind: 'ready', ready_pct: 48 })).toBe(48);
    expect(strengthBought_pct(coolant)).toBe(100);
  });
});

describe('screws', () => {
  it('a thread is no head', () => {
    expect(fastenerDoubt('M6', 6)).toContain('thread');
    expect(fastenerDoubt('M6', 10)).toBeNull();
    expect(fastenerDoubt('M8', 5)).toContain('wrong');
    expect(fastenerDoubt('', 10)).toBeNull();
    expect(fastenerDoubt('M8', null)).toBeNull();
    for (const h of HEAD_SIZES) for (const mm of h.hex_mm) expect(fastenerDoubt(h.thread, mm), h.thread).toBeNull();
  });

  it('an inch spanner fits where it is not smaller and hardly larger', () => {
    expect(inchFor(19)).toEqual(['3/4']);
    expect(inchFor(8)).toEqual(['5/16']);
    expect(inchFor(13)).toEqual([]);
    expect(inchFor(10)).toEqual([]);
  });

  it('a high value on a soft housing is doubted', () => {
    expect(torqueDoubt(9)).toBeNull();
    expect(torqueDoubt(null)).toBeNull();
    expect(torqueDoubt(45)).toContain('unit');
  });
});
