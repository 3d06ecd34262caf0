import { describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { newProof, WORK_KINDS, type Entry } from '@/core/case';
import { newClosing } from '@/core/closing';
import { newSheet, type RepairSheet } from '@/core/repair';
import { CAR, chronicle, drive, said, work } from '../../../tests/support/madeCases';
import { madeCase } from '../../../tests/support/madeHistory';
import { cautionsGiven, customerReport, howSure, PLAIN_CAUSE, PLAIN_WORK, reportCurves } from '.';

const AT_COLD = 'thermostat-stuck-open';
const ENTRIES = chronicle(said('complaint-slow-warm-up'), drive('before'), work('replaced-thermostat'), drive('after'));
const reportOf = (entries: readonly Entry[], change: Partial<Parameters<typeof customerReport>[0]> = {}) =>
  customerReport({
    ...{ vehicle: CAR, plate: 'Test 1', mileage_km: 70_000, arrivedAt: 0, complaint: 'Cold feet.', entries },
    case: madeCase(entries, { before: { [AT_COLD]: 6 }, after: { healthy: 6 } }),
    ...{ repair: null, closing: newClosing(), changes: [], comparable: null, notProven: [], due: [] },
    ...change,
  });

describe('what a customer is told', () => {
  it('what was found, how sure, what was done, and that it is not proven until it is signed', () => {
    const report = reportOf(ENTRIES);
    expect(report.found.text).toBe(PLAIN_CAUSE[AT_COLD].found);
    expect(report.found.howSure).toMatch(/^(Sure|Very likely)/);
    expect(report.done).toEqual([PLAIN_WORK['replaced-thermostat']]);
    expect(report.said).toEqual(['Slow to warm up on cold mornings']);
    expect(report.verdict).toMatchObject({
      verdict: null,
      text: expect.stringMatching(/No drive after the repair/) as string,
    });
  });

  it('a signed verdict stands with who signed it; what it lacks is not told of a proven one', () => {
    const verdict: Entry = { ...newProof({ item: 'verdict', answer: 'proven', by: 'R. H.' }), id: 'v', at: 9e6 };
    const report = reportOf([...ENTRIES, verdict], { notProven: ['still to be shown'] });
    expect(report.verdict).toMatchObject({ verdict: 'proven', signedBy: 'R. H.', at: 9e6 });
    expect(report.notProven).toEqual([]);
    const undone = reportOf([...ENTRIES, { ...verdict, takenBack: true }], { notProven: ['still to be shown'] });
    expect(undone.verdict.verdict).toBeNull();
    expect(undone.notProven).toEqual(['still to be shown']);
  });

  it('the fault that a person found goes before the odds', () => {
    const sheet = newSheet(CAR);
    const repair: RepairSheet = { ...sheet, plan: { ...sheet.plan, fault: 'thermostat-leaking' } };
    expect(reportOf(ENTRIES, { repair }).found.text).toBe(PLAIN_CAUSE['thermostat-leaking'].found);
  });

  it.each([
    ['leak', /Coolant was getting out/, 'Found on the car itself.'],
    ['preventive', /Nothing was faulty/, 'Found on the car itself.'],
    ['not-known', /not known yet/, 'Nobody has seen yet what it is.'],
    ['sender-reads-low', /reported too little/, 'Found on the car itself.'],
  ] as const)('also where it is another than the odds say: %s', (fault, text, sure) => {
    const sheet = newSheet(CAR);
    const report = reportOf(ENTRIES, { repair: { ...sheet, plan: { ...sheet.plan, fault } } });
    expect(report.found.text).toMatch(text);
    expect(report.found.howSure).toBe(sure);
    expect(report.watch.join(' ')).not.toMatch(/heater stays lukewarm/);
  });

  it('two parts at once are not separable, and the report says so', () => {
    const entries = chronicle(drive('before'), work('replaced-thermostat'), work('replaced-sender'), drive('after'));
    const even = madeCase(entries, {
      before: { 'thermostat-opens-early': 5, 'sender-reads-low': 5.1 },
      after: { healthy: 6 },
    });
    expect(reportOf(entries, { case: even }).notSeparable).toMatch(/^Not separable/);
    expect(reportOf(ENTRIES).notSeparable).toBeNull();
  });

  it('nothing done is said as that; nothing known as that', () => {
    const none = reportOf([], { case: madeCase([], {}) });
    expect(none.found.text).toMatch(/could not be told/);
    expect(none.verdict.text).toMatch(/Nothing was repaired/);
  });

  it('coolant stands with what was filled in and its strength', () => {
    const sheet = newSheet(CAR);
    const lines = [
      { id: 'a', at: 0, kind: 'drained' as const, l: 3, measuredBy: 'jug' as const, where: '', pct: null },
      { id: 'b', at: 0, kind: 'added' as const, l: 3, measuredBy: 'jug' as const, where: '', pct: 50 },
    ];
    const repair = { ...sheet, drain: { ...sheet.drain, lines } };
    expect(reportOf(ENTRIES, { repair }).coolant).toEqual({ litres: 3, pct: 50 });
  });

  it('every cause and every work has plain words, without odds or jargon', () => {
    for (const cause of CAUSES) {
      expect(PLAIN_CAUSE[cause].found.length).toBeGreaterThan(20);
      expect(PLAIN_CAUSE[cause].found + PLAIN_CAUSE[cause].watch).not.toMatch(/ECT|NTC|sender|P0\d|likelihood/);
    }
    for (const kind of WORK_KINDS) expect(PLAIN_WORK[kind].length).toBeGreaterThan(10);
    // What can run hot tells to stop, not to drive on.
    for (const cause of ['thermostat-stuck-closed', 'fan-not-running', 'flow-restricted'] as const) {
      expect(PLAIN_CAUSE[cause].watch).toMatch(/stop safely, engine off/);
    }
  });

  it('how sure is said in words and in a hundred', () => {
    expect(howSure('confirmed', 0.97)).toBe('Sure by what was measured (about 97 in 100).');
    expect(howSure('likely', 0.85)).toMatch(/not certain/);
    expect(howSure('inconclusive', null)).toMatch(/cannot be told/);
  });
});

describe('before and after on one axis', () => {
  const curve = (minutes: number, of: (min: number) => number, from_s = 0) => ({
    time_s: Float64Array.from({ length: minutes * 60 + 1 }, (_, i) => from_s + i),
    values: Float64Array.from({ length: minutes * 60 + 1 }, (_, i) => of(i / 60)),
  });

  it('runs over the longer drive, each from its own start', () => {
    const { minutes, before_c, after_c } = reportCurves({
      before: curve(10, (m) => 5 + m, 5000),
      after: curve(30, (m) => 10 + 2 * m),
      ...{ low: null, high: null },
    });
    expect(minutes.at(-1)).toBeCloseTo(30, 9);
    const at = (min: number) => minutes.findIndex((m) => m >= min);
    expect(before_c![at(6)]).toBeCloseTo(5 + minutes[at(6)]!, 3);
    expect(after_c![at(20)]).toBeCloseTo(10 + 2 * minutes[at(20)]!, 3);
    // Past its end the shorter drive is a hole, not its last value.
    expect(before_c![at(25)]).toBeNull();
  });

  it('a hole of the log stays one', () => {
    const holed = curve(20, (m) => (m > 5 && m < 12 ? NaN : 50));
    const { minutes, after_c } = reportCurves({ before: null, after: holed, low: null, high: null });
    const at = (min: number) => after_c![minutes.findIndex((m) => m >= min)];
    expect(at(3)).toBe(50);
    expect(at(8.5)).toBeNull();
    expect(at(15)).toBe(50);
  });

  it('without any drive there is one minute of nothing', () => {
    const none = reportCurves({ before: null, after: null, low: null, high: null });
    expect(none.before_c).toBeNull();
    expect(none.minutes.at(-1)).toBe(1);
  });
});

describe('cautions given', () => {
  it('are those of what was done, each once', () => {
    expect(cautionsGiven([], null, CAR)).toEqual([]);
    const driven = cautionsGiven(ENTRIES, null, CAR);
    expect(driven).toContain('driver-drives');
    expect(driven).not.toContain('recycling-point');
    const sheet = newSheet(CAR);
    const line = { id: 'a', at: 0, kind: 'drained' as const, l: 3, measuredBy: 'jug' as const, where: '', pct: null };
    const repair = { ...sheet, safe: { ...sheet.safe, done: { cool: 1 } }, drain: { ...sheet.drain, lines: [line] } };
    const given = cautionsGiven(ENTRIES, repair, CAR);
    expect(given).toEqual(expect.arrayContaining(['never-open-hot', 'recycling-point', 'coolant-is-poison']));
    expect(new Set(given).size).toBe(given.length);
  });
});
