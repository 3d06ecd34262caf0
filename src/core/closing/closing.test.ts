import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newProof, type Entry } from '@/core/case';
import { newSheet, type LedgerLine, type RepairSheet } from '@/core/repair';
import { madePart } from '../../../tests/support/madePart';
import { TEST_VEHICLE } from '../../../tests/support/testDrive';
import {
  costSheet,
  dayOf,
  dueDays,
  handOverSteps,
  newClosing,
  readClosing,
  wasteRecord,
  type ClosingSheet,
  type DueInput,
} from '.';

const SHEET = newSheet(TEST_VEHICLE);
const line = (kind: LedgerLine['kind'], l: number, pct: number | null = null): LedgerLine => ({
  ...{ id: `${kind}${l}${pct}`, at: 0, kind, l, measuredBy: 'jug', where: '', pct },
});
const repair = (plan: Partial<RepairSheet['plan']>, lines: readonly LedgerLine[] = []): RepairSheet => ({
  ...SHEET,
  plan: { ...SHEET.plan, ...plan },
  drain: { ...SHEET.drain, lines },
});
const basis = { vehicle: TEST_VEHICLE, prices: { labourPerHour: 60 } };
const closing = (change: Partial<ClosingSheet> = {}): ClosingSheet => ({ ...newClosing(), ...change });

describe('cost sheet', () => {
  it('sums parts, whole containers, minutes and what came beside, by hand', () => {
    const sheet = repair(
      {
        parts: [madePart({}), madePart({ id: 's', name: 'Seal', price: 4.5, rated_c: null })],
        coolant: { ...SHEET.plan.coolant, kind: 'concentrate', container_l: 1.5, containerPrice: 10 },
        ...{ minutesPlanned: 60, minutesTaken: 90 },
      },
      // 3 l of a half mix: 1.5 l of concentrate and 1.5 l water, in one pot; and 0.4 l neat.
      [line('drained', 3.4), line('added', 3, 50), line('added', 0.4, 100)],
    );
    const found = costSheet(sheet, closing({ extraCosts: [{ id: 'f', what: 'Fuel', amount: 7 }] }), basis);
    // 1.9 l of concentrate: two containers of 1.5 l; 1.1 l left, worth 7.33.
    expect(found.lines.find((l) => l.key === 'coolant')).toMatchObject({ actual: 20, how: '2 × 10.00', used_l: 1.9 });
    expect(found.containerRest.l).toBeCloseTo(1.1, 9);
    expect(found.containerRest.worth).toBeCloseTo(7.333, 3);
    expect(found.actual).toBeCloseTo(40 + 4.5 + 20 + 90 + 7, 9);
  });

  it('a deposit is paid until the old part went back', () => {
    const paid = costSheet(repair({ parts: [madePart({ deposit: 8 })], minutesTaken: 0 }), closing(), basis);
    expect(paid.deposits).toEqual({ paid: 8, back: 0, due: 8 });
    expect(paid.actual).toBe(48);
    const back = costSheet(
      repair({ parts: [madePart({ deposit: 8, depositBackAt: 5 })], minutesTaken: 0 }),
      closing(),
      basis,
    );
    expect(back.deposits.due).toBe(0);
    expect(back.actual).toBe(40);
  });

  it('what is not known leaves the sum open instead of counting as nothing', () => {
    expect(
      costSheet(repair({ parts: [madePart({ price: null })], minutesTaken: 30 }), closing(), basis).actual,
    ).toBeNull();
    expect(costSheet(repair({ parts: [madePart({})] }), closing(), basis).actual).toBeNull();
  });

  it('water alone costs no container', () => {
    const sheet = repair({ minutesTaken: 0 }, [line('drained', 2), line('added', 2, 0)]);
    expect(costSheet(sheet, closing(), basis).lines.find((l) => l.key === 'coolant')!.actual).toBe(0);
  });

  it('without a repair it holds what was written beside', () => {
    const found = costSheet(null, closing({ extraCosts: [{ id: 'f', what: 'Fuel', amount: 7 }] }), basis);
    expect(found).toMatchObject({ actual: 7, planned: null });
  });
});

describe('waste', () => {
  it('is what came out, less what was spilled and handed in', () => {
    const sheet = repair({}, [line('drained', 5), line('drawn-off', 0.3), line('spilled', 0.2), line('added', 5, 50)]);
    expect(wasteRecord(sheet)).toMatchObject({ out_l: 5.5, spilled_l: 0.2, handedIn_l: null });
    expect(wasteRecord(sheet)!.missing_l).toBeCloseTo(5.3, 9);
    const handed = { ...sheet, drain: { ...sheet.drain, disposal: { l: 5.3, place: 'depot', at: 1 } } };
    expect(wasteRecord(handed)!.missing_l).toBeCloseTo(0, 9);
  });

  it('is none where nothing came out', () => {
    expect(wasteRecord(null)).toBeNull();
    expect(wasteRecord(repair({}, [line('added', 1, 50)]))).toBeNull();
  });
});

describe('hand-over', () => {
  const ids = (r: RepairSheet | null, vehicle = TEST_VEHICLE) => handOverSteps(vehicle, r).map((s) => s.id);

  it('asks for what this job did', () => {
    expect(ids(null)).toEqual(['clean', 'fan', 'heater', 'lamp', 'cold-recheck', 'told']);
    const whole = repair({ parts: [madePart({})] }, [line('added', 2, 50)]);
    expect(ids({ ...whole, safe: { ...whole.safe, battery: true } })).toEqual([
      ...['clean', 'fan', 'heater', 'lamp', 'label', 'old-parts', 'battery', 'cold-recheck', 'told'],
    ]);
  });

  it('asks for no cycle of a fan that turns with the engine', () => {
    expect(ids(null, { ...TEST_VEHICLE, fan: { ...TEST_VEHICLE.fan, kind: 'engine-driven' } })).not.toContain('fan');
  });
});

describe('days that are due', () => {
  const DAY_MS = 86_400_000;
  const AT = new Date(2027, 2, 1, 10).getTime();
  const work: Entry = { kind: 'work', id: 'w', at: AT, work: 'replaced-thermostat', detail: '', benchPassed: false };
  const due = (change: Partial<DueInput> = {}) =>
    dueDays({ entries: [work], repair: null, closing: null, lookAgainOn: null, finished: false, ...change });

  it('after an opened system: level the next day, leaks in three', () => {
    expect(due().map((d) => [d.kind, d.on])).toEqual([
      ['level', '2027-03-02'],
      ['leaks', '2027-03-04'],
    ]);
    expect(due({ entries: [{ ...work, work: 'mended-wiring' } as Entry] })).toEqual([]);
  });

  it('are gone once they were done, the job is finished, or the repair did not cure', () => {
    const level: Entry = {
      ...{ kind: 'measurement', id: 'l', at: AT + DAY_MS, name: 'level', place: '', text: '', tolerance: {} },
      values: { above_mark_mm: 3, at_c: 14 },
    };
    const dry: Entry = { ...newProof({ item: 'leaks-later', answer: 'dry' }), id: 'd', at: AT + 3 * DAY_MS };
    expect(due({ entries: [work, level, dry] })).toEqual([]);
    expect(due({ finished: true })).toEqual([]);
    const verdict: Entry = { ...newProof({ item: 'verdict', answer: 'not-cured' }), id: 'v', at: AT + DAY_MS };
    expect(due({ entries: [work, verdict] })).toEqual([]);
    // A level of the same hour is none of the second day, one of a warm engine is none at all, and dry after two hours
    // says nothing of a seep.
    const warm = { ...level, values: { above_mark_mm: 3, at_c: 85 } } as Entry;
    expect(due({ entries: [work, warm, dry] }).map((d) => d.kind)).toEqual(['level']);
    const soon = { ...dry, at: AT + 2 * 3_600_000 } as Entry;
    expect(due({ entries: [work, level, soon] }).map((d) => d.kind)).toEqual(['leaks']);
    expect(due({ entries: [work, { ...level, at: AT + 3_600_000 } as Entry] }).map((d) => d.kind)).toContain('level');
  });

  it('look-again, review, deposit, warranty, next service stand in order of their days', () => {
    const sheet = repair({
      parts: [madePart({ deposit: 8, warrantyUntil: '2029-02-28' })],
      exceptions: [{ id: 'e', kind: 'winter-cover', risk: '', conditions: '', reviewOn: '2027-04-15' }],
    });
    const nextDue = { what: 'Coolant', on: '2031-03-01', at_km: 150_000, source: '' };
    const found = due({ repair: sheet, closing: closing({ nextDue }), lookAgainOn: '2027-03-20', finished: true });
    expect(found.map((d) => [d.kind, d.on])).toEqual([
      ['deposit', '2027-03-15'],
      ['look-again', '2027-03-20'],
      ['exception', '2027-04-15'],
      ['warranty', '2029-02-28'],
      ['service', '2031-03-01'],
    ]);
  });

  it('what is no day is left out', () => {
    expect(due({ lookAgainOn: 'soon', finished: true })).toEqual([]);
  });

  it('days are the local ones', () => expect(dayOf(new Date(2027, 11, 31, 23, 59).getTime())).toBe('2027-12-31'));
});

describe('a closing from outside', () => {
  it('is completed, and read again as it was', () => {
    const read = readClosing({ notesNext: 'long screw on top', odometer_km: 81_000 });
    expect(read.ok && read.value).toMatchObject({
      notesNext: 'long screw on top',
      odometer_km: 81_000,
      extraCosts: [],
    });
    expect(read.ok && readClosing(JSON.parse(JSON.stringify(read.value)))).toEqual(read);
  });

  it.each([
    ['a day that is none', { nextDue: { on: 'next spring' } }, /nextDue.on must be a day/],
    ['a negative odometer', { odometer_km: -4 }, /odometer_km/],
    ['ticks that are no times', { done: { clean: 'yes' } }, /done must hold numbers only/],
    ['a name that every object has', { toString: 'x' }, /unknown field: toString/],
    ['a cost without its id', { extraCosts: [{ what: 'x' }] }, /id/],
  ])('with %s is refused with its place', (_, value, why) => {
    const read = readClosing(value);
    expect(!read.ok && read.error).toMatch(why);
  });

  it('anything else is refused or read, never thrown at', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => typeof readClosing(value).ok === 'boolean'));
  });
});
