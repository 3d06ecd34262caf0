import { describe, expect, it } from 'vitest';
import { lampAfter, monitorText, NOTHING_ELSE_LOGGED, runMonitors, type MonitorInput } from './index';

const seconds = Float64Array.from({ length: 1500 }, (_, i) => i);
const warming = () => seconds.map((t) => Math.min(89, 10 + (79 * t) / 480));
const input = (change: Partial<MonitorInput>): MonitorInput => ({
  ...NOTHING_ELSE_LOGGED,
  time_s: seconds,
  reading_c: warming(),
  expected_c: warming(),
  rated_c: 88,
  start_c: 10,
  ...change,
});
const of = (code: string, change: Partial<MonitorInput>) => runMonitors(input(change)).find((r) => r.code === code)!;

describe('sender circuit', () => {
  it('a sound warm-up passes all of it, with room to spare', () => {
    expect(of('P0117', {})).toMatchObject({ ran: true, wouldSet: false, margin_k: 49 });
    expect(of('P0118', {})).toMatchObject({ ran: true, wouldSet: false, margin_k: 49 });
    expect(of('P0217', {})).toMatchObject({ ran: true, wouldSet: false, margin_k: 31 });
    expect(of('P0119', {})).toMatchObject({ ran: true, wouldSet: false, margin_k: null });
  });

  it('needs a lasting rail', () => {
    const railed = warming();
    railed.fill(-40, 100, 103);
    expect(of('P0118', { reading_c: railed })).toMatchObject({ wouldSet: false });
    railed.fill(-40, 100, 120);
    expect(of('P0118', { reading_c: railed })).toMatchObject({ wouldSet: true, at_s: 105, margin_k: -1 });
    expect(of('P0117', { reading_c: seconds.map(() => 140) })).toMatchObject({ wouldSet: true, margin_k: -2 });
  });

  it('comes and goes at the second drop-out, and over-temperature must last', () => {
    expect(of('P0119', { dropouts_s: [50] })).toMatchObject({ wouldSet: false });
    expect(of('P0119', { dropouts_s: [50, 90] })).toMatchObject({ wouldSet: true, at_s: 90 });
    const hot = warming();
    hot.fill(121, 900, 905);
    expect(of('P0217', { reading_c: hot })).toMatchObject({ wouldSet: false });
    hot.fill(121, 900, 920);
    expect(of('P0217', { reading_c: hot })).toMatchObject({ wouldSet: true, at_s: 910, margin_k: -1 });
  });

  it('says nothing without a reading', () => {
    const nothing = seconds.map(() => NaN);
    for (const code of ['P0117', 'P0118', 'P0119', 'P0217', 'P0116', 'P0125', 'P0128']) {
      expect(of(code, { reading_c: nothing, start_c: NaN })).toMatchObject({ ran: false, wouldSet: null });
    }
  });
});

describe('after a soak', () => {
  it.each([
    ['agrees', { intake_c: 10, ambient_c: 9 }, { ran: true, wouldSet: false, margin_k: 14.5 }],
    ['is off', { start_c: 30, intake_c: 10, ambient_c: 10 }, { ran: true, wouldSet: true, at_s: 0, margin_k: -5 }],
    ['oil proves it as well', { start_c: 30, intake_c: 10, oil_c: 11 }, { ran: true, wouldSet: true }],
    ['one other temperature is no proof', { intake_c: 10 }, { ran: false, wouldSet: null }],
    ['the others disagree', { intake_c: 10, ambient_c: 20 }, { ran: false, wouldSet: null }],
  ])('%s', (_, change, gives) => expect(of('P0116', change)).toMatchObject(gives));
});

describe('thermostat heating', () => {
  it('is named for heated thermostats only, and never judged from a log', () => {
    expect(runMonitors(input({})).some((r) => r.code.startsWith('P059'))).toBe(false);
    const heated = runMonitors(input({ heated: true })).filter((r) => r.code.startsWith('P059'));
    expect(heated.map((r) => r.code)).toEqual(['P0597', 'P0598', 'P0599']);
    for (const r of heated) {
      expect(r.wouldSet).toBeNull();
      expect(monitorText(r)).toMatch(/^Did not run\. The circuit itself is not in a log/);
    }
  });
});

describe('the lamp', () => {
  const drive = (wouldSet: boolean | null, drivesToLamp = 2) => ({ wouldSet, drivesToLamp });

  it.each([
    ['nothing yet', [], 'off'],
    ['one failing drive', [drive(true)], 'pending'],
    ['two in a row', [drive(true), drive(true)], 'lit'],
    ['a pass between', [drive(true), drive(false), drive(true)], 'pending'],
    ['a drive on which it did not run does not count', [drive(true), drive(null), drive(true)], 'lit'],
    ['not running is no pass', [drive(true), drive(null)], 'pending'],
    ['circuit faults light at once', [drive(true, 1)], 'lit'],
    ['two passes leave it lit', [drive(true), drive(true), drive(false), drive(false)], 'lit'],
    ['three put it out', [drive(true), drive(true), drive(false), drive(false), drive(false)], 'off'],
  ] as const)('%s', (_, drives, lamp) => expect(lampAfter(drives)).toBe(lamp));
});
