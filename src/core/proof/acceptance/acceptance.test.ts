import { describe, expect, it } from 'vitest';
import { newProof, type Entry, type ProofItem } from '@/core/case';
import { newSheet, type RepairSheet } from '@/core/repair';
import { madeMonitor, madeProofDrive, SOUND_FIGURES } from '../../../../tests/support/madeLook';
import { TEST_VEHICLE } from '../../../../tests/support/testDrive';
import { acceptanceOf } from './acceptance';
import type { AcceptanceInput, AcceptanceItem } from './row';

const HOUR_MS = 3_600_000;
const WORK: Entry = { kind: 'work', id: 'w', at: 0, work: 'replaced-thermostat', detail: '', benchPassed: false };
let count = 0;
const shown = (item: ProofItem, answer: string, hours: number, text = ''): Entry => ({
  ...newProof({ item, answer, text }),
  ...{ id: `p${count++}`, at: hours * HOUR_MS },
});
const level = (above_mark_mm: number, hours: number, at_c = 12): Entry => ({
  ...{ kind: 'measurement', id: `l${count++}`, at: hours * HOUR_MS, name: 'level', place: '', text: '', tolerance: {} },
  values: { above_mark_mm, at_c, heat_cycles: 1 },
});
/** The first heat after the work, ticked. */
const heat: Entry = { ...newProof({ item: 'first-heat', answer: 'yes' }), id: 'heat', at: 3 * HOUR_MS };
const rowsOf = (input: Partial<AcceptanceInput> = {}) =>
  acceptanceOf({ vehicle: TEST_VEHICLE, entries: [WORK], repair: null, drive: null, now: HOUR_MS, ...input });
const rowOf = (item: AcceptanceItem, input: Partial<AcceptanceInput> = {}) =>
  rowsOf(input).find((r) => r.item === item)!;
const stateOf = (item: AcceptanceItem, input: Partial<AcceptanceInput> = {}) => rowOf(item, input).state;

describe('acceptance', () => {
  it('stands in the order of the work, days last', () => {
    expect(rowsOf().map((r) => r.item)).toEqual([
      ...['washed', 'first-heat', 'leaks-cold', 'leaks-hot', 'codes-saved', 'opening', 'hold', 'sag', 'cabin-heat'],
      ...['fan-cycled', 'pressure', 'monitor', 'level-again', 'leaks-later'],
    ]);
  });

  it('asks nothing of the coolant where the system was not opened', () => {
    const wiring = { ...WORK, work: 'mended-wiring' } as Entry;
    for (const item of [
      'washed',
      'first-heat',
      'leaks-cold',
      'leaks-hot',
      'leaks-later',
      'pressure',
      'level-again',
    ] as const) {
      expect(stateOf(item, { entries: [wiring] })).toBe('not-needed');
    }
    expect(stateOf('hold', { entries: [wiring] })).toBe('open');
  });

  it('of a car on which nothing was done it asks for the figures of a drive only', () => {
    const needed = rowsOf({ entries: [] }).filter((r) => r.state !== 'not-needed');
    expect(needed.map((r) => r.item)).toEqual(['opening', 'hold', 'sag', 'monitor']);
  });

  it('counts what was shown after the last work only, and what was not taken back', () => {
    const dry = shown('leaks-cold', 'dry', 1);
    expect(stateOf('leaks-cold', { entries: [WORK, dry] })).toBe('met');
    const again = { ...WORK, id: 'w2', at: 2 * HOUR_MS };
    expect(stateOf('leaks-cold', { entries: [WORK, dry, again] })).toBe('open');
    expect(stateOf('leaks-cold', { entries: [WORK, { ...dry, takenBack: true }] })).toBe('open');
  });

  it('damp is watched at first and a leak days later; a drip is one at once', () => {
    expect(stateOf('leaks-hot', { entries: [WORK, shown('leaks-hot', 'damp', 1)] })).toBe('met');
    expect(stateOf('leaks-hot', { entries: [WORK, shown('leaks-hot', 'drip', 1)] })).toBe('failed');
    expect(stateOf('leaks-later', { entries: [WORK, shown('leaks-later', 'damp', 60)] })).toBe('failed');
    expect(stateOf('leaks-later', { entries: [WORK, shown('leaks-later', 'dry', 60)] })).toBe('met');
  });

  it('the later look waits for its day, and one that came too soon does not count', () => {
    const waits = rowOf('leaks-later');
    expect(waits).toMatchObject({ state: 'waits', due: 48 * HOUR_MS });
    expect(stateOf('leaks-later', { now: 49 * HOUR_MS })).toBe('open');
    const soon = rowOf('leaks-later', { entries: [WORK, shown('leaks-later', 'dry', 5)], now: 60 * HOUR_MS });
    expect(soon.state).toBe('open');
    expect(soon.says).toMatch(/too soon/);
  });

  it('an item is left out with its reason, but a failed figure is not waved through', () => {
    const left = shown('pressure', 'left-out', 1, 'no tester');
    expect(rowOf('pressure', { entries: [WORK, left] })).toMatchObject({ state: 'left-out', says: 'no tester' });
    const drive = madeProofDrive({ ...SOUND_FIGURES, plateau: [62, 0.5, [86, 93]] });
    expect(stateOf('hold', { entries: [WORK, shown('hold', 'left-out', 1, 'fine to me')], drive })).toBe('failed');
  });
});

describe('codes', () => {
  const code = (clearedAt: number | null, at = -5): Entry => ({
    ...{ kind: 'code', id: `c${at}`, at, code: 'P0128', freezeFrame: '', clearedAt },
  });

  it('are not asked for where none was stored, and open until they are cleared', () => {
    expect(stateOf('codes-saved')).toBe('not-needed');
    expect(rowOf('codes-saved', { entries: [code(null), WORK] })).toMatchObject({
      state: 'open',
      says: /P0128/ as never,
    });
    expect(stateOf('codes-saved', { entries: [code(-1), WORK] })).toBe('met');
  });

  it('that come back after the work are no proof, whatever the drive shows', () => {
    const row = rowOf('monitor', { entries: [WORK, code(null, HOUR_MS)], drive: madeProofDrive() });
    expect(row).toMatchObject({ state: 'failed', returned: true });
  });

  it('that have nothing to do with the work are a remark, no failure, unless the car came with them', () => {
    const catalyst = { ...code(null, HOUR_MS), id: 'p0420', code: 'P0420' } as Entry;
    const row = rowOf('monitor', { entries: [WORK, catalyst], drive: madeProofDrive() });
    expect(row.state).not.toBe('failed');
    expect(row.says).toMatch(/Beside it P0420: not of this work/);
    const before = { ...catalyst, id: 'was', at: -1 } as Entry;
    expect(stateOf('monitor', { entries: [before, WORK, catalyst], drive: madeProofDrive() })).toBe('failed');
    const both = rowOf('monitor', { entries: [WORK, code(null, HOUR_MS), catalyst], drive: madeProofDrive() });
    expect(both).toMatchObject({ state: 'failed', says: expect.stringMatching(/^Came back: P0128\. Beside it P0420/) });
  });

  it('a monitor that did not run proves nothing, one that ran and passed is confirmed by reading the codes', () => {
    const with_ = (...monitors: Parameters<typeof madeProofDrive>[1] & object) => ({
      drive: madeProofDrive(SOUND_FIGURES, monitors),
    });
    expect(rowOf('monitor', with_(madeMonitor(false, null))).says).toMatch(/proves nothing/);
    expect(stateOf('monitor', with_(madeMonitor(true, true)))).toBe('failed');
    expect(stateOf('monitor', with_(madeMonitor(true, false)))).toBe('open');
    const entries = [WORK, shown('monitor', 'clean', 1)];
    expect(stateOf('monitor', { ...with_(madeMonitor(true, false)), entries })).toBe('met');
  });
});

describe('figures of the drive', () => {
  it('a sound drive meets opening, hold and sag', () => {
    const drive = madeProofDrive();
    for (const item of ['opening', 'hold', 'sag', 'first-heat'] as const) expect(stateOf(item, { drive })).toBe('met');
    expect(rowOf('hold', { drive }).says).toContain('89.0 °C ± 0.5 K');
  });

  it.each([
    ['opening', { bend: [70, 0.8, [85, 91]] }, 'failed'],
    ['opening', { bend: [82.5, 0.8, [85, 91]] }, 'met'],
    ['hold', { plateau: [71, 0.5, [86, 93]] }, 'failed'],
    ['hold', { plateau: [99, 0.5, [86, 93]] }, 'failed'],
    ['hold', { 'minutes-above-limit': [2.5, 0.1, null] }, 'failed'],
    ['sag', { 'speed-sag': [-3, 0.2, [-0.4, 0.3]] }, 'failed'],
    ['sag', { 'speed-sag': [2, 0.2, [-0.4, 0.3]] }, 'met'],
  ] as const)('%s of %j is %s', (item, change, state) => {
    expect(stateOf(item, { drive: madeProofDrive({ ...SOUND_FIGURES, ...change }) })).toBe(state);
  });

  it('without a bend, a level that does not move with speed shows the opening; one that moves does not', () => {
    const { bend: _bend, ...rest } = SOUND_FIGURES;
    expect(rowOf('opening', { drive: madeProofDrive(rest) })).toMatchObject({
      state: 'met',
      says: /regulates at/ as never,
    });
    const sagging = madeProofDrive({ ...rest, 'speed-sag': [-3, 0.2, [-0.4, 0.3]] });
    expect(stateOf('opening', { drive: sagging })).toBe('open');
    const { 'speed-sag': _sag, ...untold } = rest;
    expect(stateOf('opening', { drive: madeProofDrive(untold) })).toBe('open');
  });

  it('two-level control is not taken for overheating: either level is sound, above both is not', () => {
    const { thermostat } = TEST_VEHICLE;
    const vehicle = {
      ...TEST_VEHICLE,
      thermostat: { ...thermostat, rated_c: 103, full_open_c: 112, heated: true, heated_rated_c: 86 },
    };
    const at = (c: number) => ({ vehicle, drive: madeProofDrive({ ...SOUND_FIGURES, plateau: [c, 0.5, [86, 93]] }) });
    expect(stateOf('hold', at(104))).toBe('met');
    expect(stateOf('hold', at(88))).toBe('met');
    expect(rowOf('hold', at(104)).says).toMatch(/no overheating/);
    expect(stateOf('hold', at(119))).toBe('failed');
    expect(stateOf('hold', at(70))).toBe('failed');
    // The same level on a plain thermostat of 88 °C is too hot.
    expect(stateOf('hold', { drive: madeProofDrive({ ...SOUND_FIGURES, plateau: [104, 0.5, [86, 93]] }) })).toBe(
      'failed',
    );
  });

  it('the fan is proved by the log where it went in and out, else by the ear', () => {
    const logged = { ...SOUND_FIGURES, 'fan-on': [98, 0.5, null], 'fan-off': [93, 0.5, null] } as const;
    expect(stateOf('fan-cycled', { drive: madeProofDrive({ ...logged, 'fan-fall': [80, 3, null] }) })).toBe('met');
    expect(stateOf('fan-cycled', { drive: madeProofDrive(logged) })).toBe('open');
    expect(stateOf('fan-cycled', { entries: [WORK, shown('fan-cycled', 'in-only', 1)] })).toBe('failed');
    const driven = { ...TEST_VEHICLE, fan: { ...TEST_VEHICLE.fan, kind: 'engine-driven' as const } };
    expect(stateOf('fan-cycled', { vehicle: driven })).toBe('not-needed');
  });

  it('cabin heat is read from the vent where it was marked', () => {
    const vent = (v: number) => ({ drive: madeProofDrive({ ...SOUND_FIGURES, 'heater-effectiveness': [v, 4, null] }) });
    expect(stateOf('cabin-heat', vent(66))).toBe('met');
    expect(stateOf('cabin-heat', vent(22))).toBe('failed');
  });
});

describe('pressure and level', () => {
  const hold = (end_kpa: number, minutes = 15): Entry => ({
    ...{ kind: 'measurement', id: 'h', at: HOUR_MS, name: 'hold', place: '', text: '', tolerance: {} },
    values: { start_kpa: 100, end_kpa, minutes },
  });

  it('a pressure that held is met, one that fell is not, one held too shortly stays open', () => {
    expect(stateOf('pressure', { entries: [WORK, hold(99)] })).toBe('met');
    expect(stateOf('pressure', { entries: [WORK, hold(70)] })).toBe('failed');
    expect(stateOf('pressure', { entries: [WORK, hold(99, 2)] })).toBe('open');
  });

  it('the level of the same evening is none of the second day', () => {
    const evening = [WORK, level(4, 1), level(4, 3)];
    expect(rowOf('level-again', { entries: evening })).toMatchObject({ state: 'waits', due: 8 * HOUR_MS });
    expect(stateOf('level-again', { entries: evening, now: 20 * HOUR_MS })).toBe('open');
    expect(stateOf('level-again', { entries: [WORK, level(4, 1), level(3, 20)], now: 21 * HOUR_MS })).toBe('met');
  });

  it('a level that goes on falling fails; one that fell once is read again', () => {
    const steady = [WORK, level(20, 1), level(12, 20), level(4, 40)];
    expect(stateOf('level-again', { entries: steady, now: 41 * HOUR_MS })).toBe('failed');
    const once = [WORK, level(20, 1), level(9, 20)];
    expect(stateOf('level-again', { entries: once, now: 21 * HOUR_MS })).toBe('open');
  });

  it('a level that bleeding and chronicle both hold is one, and is not held against itself', () => {
    const sheet = newSheet(TEST_VEHICLE);
    const read = (hours: number, above_mark_mm: number) => ({
      ...{ id: `b${hours}`, at: hours * HOUR_MS, above_mark_mm, at_c: 15, filledTo_mm: null },
    });
    const repair: RepairSheet = { ...sheet, bleed: { ...sheet.bleed, levels: [read(1, 0), read(20, -45)] } };
    const both = repair.bleed.levels.map((l, i): Entry => ({
      ...{ kind: 'measurement', id: `c${i}`, at: l.at, name: 'level', place: `bleed ${l.at}`, text: '', tolerance: {} },
      values: { above_mark_mm: l.above_mark_mm, at_c: 15 },
    }));
    const row = rowOf('level-again', { entries: [WORK, heat, ...both], repair, now: 21 * HOUR_MS });
    expect(row.state).toBe('open');
    expect(row.says).toContain('It fell over the last cycle');
  });

  it('two levels without a heat cycle between them are no proof', () => {
    const still = [level(4, 1), level(4, 20)].map((e) => ({ ...e, values: { above_mark_mm: 4, at_c: 12 } }) as Entry);
    expect(stateOf('level-again', { entries: [WORK, ...still], now: 21 * HOUR_MS })).toBe('open');
    expect(stateOf('level-again', { entries: [WORK, heat, ...still], now: 21 * HOUR_MS })).toBe('met');
  });

  it('levels of the bleeding count as well, warm ones never', () => {
    const sheet = newSheet(TEST_VEHICLE);
    const read = (hours: number, at_c: number) => ({
      ...{ id: `b${hours}`, at: hours * HOUR_MS, above_mark_mm: 5, at_c, filledTo_mm: null },
    });
    const repair: RepairSheet = { ...sheet, bleed: { ...sheet.bleed, levels: [read(1, 15), read(20, 14)] } };
    expect(stateOf('level-again', { entries: [WORK, heat], repair, now: 21 * HOUR_MS })).toBe('met');
    const warm: RepairSheet = { ...sheet, bleed: { ...sheet.bleed, levels: [read(1, 15), read(20, 70)] } };
    expect(stateOf('level-again', { entries: [WORK, heat], repair: warm, now: 21 * HOUR_MS })).toBe('open');
  });
});
