import { describe, expect, it } from 'vitest';
import { MONITOR_DEFAULTS, NOTHING_ELSE_LOGGED, runMonitors, whyNotText, type MonitorInput } from './index';
import type { ConditionKind } from './result';
import type { MonitorSettings } from './settings';

const MINUTES = 25;
const seconds = Float64Array.from({ length: MINUTES * 60 + 1 }, (_, i) => i);
/** A straight rise within so many minutes, then level. */
const ramp = (from: number, to: number, rise_min: number) =>
  seconds.map((t) => Math.min(to, from + ((to - from) * t) / (rise_min * 60)));
const constant = (v: number) => seconds.map(() => v);

/** 88 °C by its papers: warm from 77 °C. Start at 10 °C, a sound vehicle warm (77 °C) after 10.72 min. */
const input = (change: Partial<MonitorInput>): MonitorInput => ({
  ...NOTHING_ELSE_LOGGED,
  time_s: seconds,
  reading_c: ramp(10, 89, 8),
  expected_c: ramp(10, 85, 12),
  rated_c: 88,
  start_c: 10,
  intake_c: 10,
  ...change,
});
const stuck = ramp(10, 60, 10);
const p0128 = (change: Partial<MonitorInput>, settings: Partial<MonitorSettings> = {}) =>
  runMonitors(input(change), { ...MONITOR_DEFAULTS, ...settings })[0]!;

interface Worked {
  readonly name: string;
  readonly drive: Partial<MonitorInput>;
  readonly settings?: Partial<MonitorSettings>;
  /** Verdict with its second and margin, or why there is none. */
  readonly gives:
    | { readonly set: boolean; readonly at_s: number; readonly margin_k: number }
    | { readonly whyNot: ConditionKind; readonly at_s: number };
}

/** Reading of 60 °C from minute 10 on against 77 °C: 17 K short wherever it is decided later. */
const WORKED: readonly Worked[] = [
  // Modelled warm-up: expected at 12 · 67/75 = 10.72 min, and two minutes of grace.
  { name: 'model, warm in time', drive: {}, gives: { set: false, at_s: Math.ceil((8 * 60 * 67) / 79), margin_k: 12 } },
  { name: 'model, never warm', drive: { reading_c: stuck }, gives: { set: true, at_s: 764, margin_k: -17 } },
  {
    name: 'model, warm within the grace',
    drive: { reading_c: ramp(10, 85, 13) },
    gives: { set: false, at_s: Math.ceil((13 * 60 * 67) / 75), margin_k: ramp(10, 85, 13)[764]! - 77 },
  },
  {
    name: 'model, warm only after the grace',
    drive: { reading_c: ramp(10, 85, 20) },
    gives: { set: true, at_s: 764, margin_k: ramp(10, 85, 20)[764]! - 77 },
  },
  // Table of times: 1020 s from 10 °C, 870 s from 20 °C (half way to 720 s at 30 °C).
  {
    name: 'table, never warm',
    drive: { reading_c: stuck },
    settings: { warmUp: 'time' },
    gives: { set: true, at_s: 1020, margin_k: -17 },
  },
  {
    name: 'table, between its rows',
    drive: { reading_c: ramp(20, 60, 10), start_c: 20 },
    settings: { warmUp: 'time' },
    gives: { set: true, at_s: 870, margin_k: -17 },
  },
  {
    name: 'table, warm just before its time',
    drive: { reading_c: ramp(10, 85, 18) },
    settings: { warmUp: 'time' },
    gives: { set: false, at_s: Math.ceil((18 * 60 * 67) / 75), margin_k: ramp(10, 85, 18)[1020]! - 77 },
  },
  // Air: 5000 g per litre from 10 °C, 8000 g for 1.6 l, at 10 g/s after 800 s.
  {
    name: 'air, never warm',
    drive: { reading_c: stuck, air_gps: constant(10) },
    settings: { warmUp: 'air' },
    gives: { set: true, at_s: 800, margin_k: -17 },
  },
  // Fuel: 340 g per litre, 544 g, at 0.8 g/s after 680 s.
  {
    name: 'fuel, never warm',
    drive: { reading_c: stuck, fuel_gps: constant(0.8) },
    settings: { warmUp: 'fuel' },
    gives: { set: true, at_s: 680, margin_k: -17 },
  },
  { name: 'start too cold', drive: { start_c: -9 }, gives: { whyNot: 'start-reading', at_s: 0 } },
  { name: 'start too warm', drive: { start_c: 51 }, gives: { whyNot: 'start-reading', at_s: 0 } },
  { name: 'start not logged', drive: { start_c: NaN }, gives: { whyNot: 'start-reading', at_s: 0 } },
  {
    name: 'start above the threshold of a cold-rated part',
    drive: { start_c: 45, rated_c: 55 },
    gives: { whyNot: 'start-not-cold-enough', at_s: 0 },
  },
  { name: 'frost', drive: { intake_c: -10 }, gives: { whyNot: 'intake-air', at_s: 0 } },
  {
    name: 'a day on which a sound vehicle stays cold',
    drive: { reading_c: stuck, expected_c: ramp(10, 60, 12) },
    gives: { whyNot: 'sound-vehicle-warms', at_s: 1500 },
  },
  {
    name: 'table, drive too short',
    drive: { reading_c: ramp(-5, 40, 25), start_c: -5 },
    settings: { warmUp: 'time', tables: { ...MONITOR_DEFAULTS.tables, time: [[-5, 1600]] } },
    gives: { whyNot: 'drive-length', at_s: 1500 },
  },
  {
    name: 'air, too little taken in',
    drive: { reading_c: stuck, air_gps: constant(4) },
    settings: { warmUp: 'air' },
    gives: { whyNot: 'drive-length', at_s: 1500 },
  },
  {
    name: 'air, not logged',
    drive: { reading_c: stuck },
    settings: { warmUp: 'air' },
    gives: { whyNot: 'channel', at_s: 0 },
  },
  {
    name: 'fuel, not told',
    drive: { reading_c: stuck },
    settings: { warmUp: 'fuel' },
    gives: { whyNot: 'channel', at_s: 0 },
  },
  {
    name: 'mostly standing',
    drive: { reading_c: stuck, speed_kmh: seconds.map((t) => (t % 100 < 60 ? 0 : 50)) },
    gives: { whyNot: 'idle-share', at_s: 764 },
  },
  {
    name: 'too slow on the whole',
    drive: { reading_c: stuck, speed_kmh: constant(20) },
    settings: { meanSpeedFrom_kmh: 30 },
    gives: { whyNot: 'mean-speed', at_s: 764 },
  },
  {
    name: 'a pass needs no driving',
    drive: { speed_kmh: constant(0) },
    gives: { set: false, at_s: Math.ceil((8 * 60 * 67) / 79), margin_k: 12 },
  },
];

describe('slow warm-up monitor, worked by hand', () => {
  it.each(WORKED)('$name', ({ drive, settings, gives }) => {
    const result = p0128(drive, settings);
    if ('whyNot' in gives) {
      expect(result).toMatchObject({ ran: false, wouldSet: null, at_s: null, margin_k: null });
      expect(result.whyNot.map((w) => w.kind)).toContain(gives.whyNot);
      expect(result.whyNot[0]!.at_s).toBe(gives.at_s);
      for (const w of result.whyNot) expect(whyNotText(w)).not.toMatch(/NaN|undefined|null/);
    } else {
      expect(result).toMatchObject({ ran: true, whyNot: [], wouldSet: gives.set, at_s: gives.at_s });
      expect(result.margin_k!).toBeCloseTo(gives.margin_k, 6);
    }
  });

  it('counts from the start of the engine: five minutes of key on before it change nothing but the clock', () => {
    const idle_s = 300;
    const late = (values: Float64Array) => seconds.map((t) => values[Math.max(0, t - idle_s)]!);
    const settings = { warmUp: 'time', tables: { ...MONITOR_DEFAULTS.tables, time: [[0, 900]] } } as const;
    const warm670 = ramp(10, 89, (670 * 79) / 67 / 60);
    const plain = p0128({ reading_c: warm670 }, settings);
    const keyOn = p0128({ reading_c: late(warm670), started_s: idle_s }, settings);
    expect(plain).toMatchObject({ ran: true, wouldSet: false });
    expect(keyOn).toMatchObject({ ran: true, wouldSet: false, at_s: plain.at_s! + idle_s });
    expect(p0128({ reading_c: late(stuck), started_s: idle_s }, settings)).toMatchObject({
      wouldSet: true,
      at_s: 1200,
    });
    const p0125 = (started_s: number) =>
      runMonitors(input({ reading_c: late(ramp(-5, 60, 10)), start_c: -5, started_s })).find(
        (r) => r.code === 'P0125',
      )!;
    expect(p0125(idle_s).at_s! - idle_s).toBeGreaterThan(0);
    expect(p0125(idle_s).wouldSet).toBe(false);
    for (const code of ['P0128', 'P0125']) {
      const never = runMonitors(input({ started_s: null })).find((r) => r.code === code)!;
      expect(never).toMatchObject({ ran: false, wouldSet: null });
      expect(whyNotText(never.whyNot[0]!)).toMatch(/engine running/);
    }
  });

  it('one stray sample passes nothing', () => {
    const stray = Float64Array.from(stuck);
    stray[300] = 90;
    expect(p0128({ reading_c: stray })).toEqual(p0128({ reading_c: stuck }));
    stray[764] = 95;
    expect(p0128({ reading_c: stray })).toMatchObject({ wouldSet: true, margin_k: -17 });
    // Read once a minute, warm at one minute and at the next is warm.
    const sparse = Float64Array.from(ramp(10, 89, 8), (v, i) => (i % 60 === 0 ? v : NaN));
    expect(p0128({ reading_c: sparse })).toMatchObject({ wouldSet: false, at_s: 420 });
  });

  it('never says that a code would not set when its monitor did not run', () => {
    const cold = p0128({ reading_c: ramp(-9, 60, 10), start_c: -9 });
    expect(cold.wouldSet).toBeNull();
    expect(whyNotText(cold.whyNot[0]!)).toBe('It runs from a start between -8 °C and 50 °C; this one was at -9 °C.');
  });
});

describe('closed loop', () => {
  const p0125 = (change: Partial<MonitorInput>) => runMonitors(input(change)).find((r) => r.code === 'P0125')!;

  it.each([
    // From 0 °C half way between 300 and 120 s; 20 °C must be reached by then.
    ['in time', { start_c: 0, reading_c: ramp(0, 88, 10) }, { ran: true, wouldSet: false, at_s: 137 }],
    ['too late', { start_c: 0, reading_c: ramp(0, 88, 20) }, { ran: true, wouldSet: true, at_s: 210 }],
    ['started warm', { start_c: 25 }, { ran: false, wouldSet: null }],
    [
      'ended before',
      { start_c: 0, reading_c: ramp(0, 10, 10).slice(0, 120), time_s: seconds.slice(0, 120) },
      { ran: false, wouldSet: null },
    ],
  ])('%s', (_, change, gives) => expect(p0125(change)).toMatchObject(gives));
});
