import { describe, expect, it } from 'vitest';
import { BLEED_PROCEDURES, engineTime_s, NOT_BEGUN, started, stepEnded, stepsOf } from '../procedure';
import { startingVehicle } from '../planning';
import { coolantNeed, newSheet, REPAIR_SCHOOLS, worksDone, type LedgerLine, type RepairSheet } from '.';

const SHEET = newSheet(startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));
const line = (kind: LedgerLine['kind'], l: number): LedgerLine => ({
  ...{ id: `${kind}${l}`, at: 0, kind, l, measuredBy: 'jug', where: '', pct: kind === 'added' ? 50 : null },
});
const sheet = (plan: Partial<RepairSheet['plan']>, lines: readonly LedgerLine[] = [], flushed = 0): RepairSheet => ({
  ...SHEET,
  plan: { ...SHEET.plan, ...plan },
  drain: { ...SHEET.drain, lines, flushed },
});

describe('what a repair amounts to', () => {
  it('is the planned work, what was done along, the flush, and the filling', () => {
    expect(worksDone(sheet({}))).toEqual([]);
    expect(worksDone(sheet({ works: ['replaced-thermostat'] }))).toEqual(['replaced-thermostat']);
    const whole = sheet(
      { works: ['replaced-thermostat'], extras: ['sender', 'hoses'] },
      [line('drained', 4), line('added', 4)],
      2,
    );
    expect(worksDone(whole)).toEqual([
      'replaced-thermostat',
      'replaced-sender',
      'cleaned-radiator',
      'drained-and-filled',
    ]);
  });

  it('coolant put in without a drain is topping up, and is written once', () => {
    expect(worksDone(sheet({ works: ['topped-up-and-bled'] }, [line('added', 0.4)]))).toEqual(['topped-up-and-bled']);
    // Planned to be topped up, and nothing went in: nothing was done.
    expect(worksDone(sheet({ works: ['topped-up-and-bled'] }))).toEqual([]);
    expect(worksDone(sheet({ works: ['drained-and-filled'] }, [line('drained', 3), line('added', 3)]))).toEqual([
      'drained-and-filled',
    ]);
  });
});

describe('coolant to buy', () => {
  const coolant = { ...SHEET.plan.coolant, container_l: 1, containerPrice: 9 };
  it('fills all before anything is known, with a reserve, and less once it is known what stays', () => {
    // 6.5 l and 0.65 l of reserve at half: 3.575 l of concentrate.
    expect(coolantNeed(sheet({ coolant }), 6.5, 50)).toMatchObject({
      need_l: expect.closeTo(3.575, 9) as number,
      containers: 4,
      cost: 36,
    });
    expect(coolantNeed(sheet({ coolant: { ...coolant, kind: 'ready' } }), 6.5, 50).need_l).toBeCloseTo(7.15, 9);
    const drained = sheet({ coolant }, [line('drained', 4)]);
    expect(coolantNeed(drained, 6.5, 50).need_l).toBeCloseTo((4 + 0.65) / 2, 9);
  });
});

describe('time that the engine ran', () => {
  it('counts idling and holds, not waiting with the engine off', () => {
    const funnel = BLEED_PROCEDURES.find((p) => p.id === 'high-funnel')!;
    const steps = stepsOf(funnel);
    let run = started(NOT_BEGUN, 0);
    run = stepEnded(steps, run, 60_000);
    run = stepEnded(steps, run, 90_000);
    // Five minutes of standing with the engine off, then it idles.
    expect(engineTime_s(funnel, run, 390)).toBe(0);
    expect(engineTime_s(funnel, run, 450)).toBe(60);
    expect(engineTime_s(funnel, stepEnded(steps, run, 450_000), 500)).toBe(110);
  });
});

describe('disagreements of the repair', () => {
  it('stand each beside one part, both sides and what settles it, cold work above all', () => {
    expect(new Set(REPAIR_SCHOOLS.map((s) => s.id)).size).toBe(REPAIR_SCHOOLS.length);
    for (const at of ['plan', 'safe', 'strip', 'drain', 'fill', 'bleed'] as const) {
      expect(REPAIR_SCHOOLS.filter((s) => s.at === at).length, at).toBeGreaterThanOrEqual(2);
    }
    expect(REPAIR_SCHOOLS.find((s) => s.id === 'cold-or-warm')!.settles).toBe('Cold, always.');
  });
});
