import { beforeAll, describe, expect, it, vi } from 'vitest';
import { answerCompute } from '../../src/cli/compute/answerCompute';
import { commandFolder } from '../support/commandFolder';

beforeAll(() => {
  vi.stubEnv('INIT_CWD', commandFolder());
  return () => vi.unstubAllEnvs();
});

/** What the command prints and how it ends; as a program of its own it is tried in cli.test.ts. */
async function compute(name: string, input: unknown) {
  const { status, stdout } = await answerCompute(name, () => Promise.resolve(JSON.stringify(input)));
  return { status, answer: JSON.parse(stdout) as Record<string, unknown>[] };
}

describe('compute features, monitors and compare', () => {
  type Row = Record<string, unknown>;

  it('prints every figure with its uncertainty, place and expectation, or why there is none', async () => {
    const { status, answer } = await compute('features', { trace: 'a.csv', vehicle: 'v.json' });
    expect(status).toBe(0);
    const features = (answer as unknown as Row).features as Record<string, Row>;
    expect(Object.keys(features)).toEqual(expect.arrayContaining(['minutes-to-60', 'bend', 'plateau', 'hold-idle']));
    expect(features['minutes-to-40']).toMatchObject({ unit: 'min', from_s: 0 });
    for (const [name, f] of Object.entries(features)) {
      expect(f, name).toHaveProperty('expected_low');
      if (f.value === null) expect(f.why, name).toEqual(expect.stringMatching(/\w{3}/));
      else for (const k of ['value', 'sd', 'from_s', 'to_s']) expect(Number.isFinite(f[k]), `${name} ${k}`).toBe(true);
    }
    expect(features['heater-effectiveness']!.why).toMatch(/vent/);
  });

  it('runs the monitors by settings of one’s own, on a trace written out as well', async () => {
    const time_s = Array.from({ length: 1500 }, (_, i) => i);
    const cold = {
      time_s,
      channels: { ect_c: time_s.map((t) => Math.min(55, 10 + t / 10)), iat_c: time_s.map(() => 10) },
    };
    const table = { warmUp: 'time', tables: { time: [[0, 900]] } };
    const { status, answer } = await compute('monitors', [
      { trace: cold, vehicle: 'v.json', settings: table },
      {
        trace: { ...cold, channels: { ...cold.channels, ect_c: cold.channels.ect_c.map((c) => c - 21) } },
        vehicle: 'v.json',
      },
      { trace: cold, vehicle: 'v.json', settings: { warmUp: 'moonlight' } },
      { trace: { time_s: [0, 1], channels: { ect: [1, 2] } }, vehicle: 'v.json' },
    ]);
    expect(status).toBe(3);
    const [judged, frosty, wrong, odd] = answer as Row[];
    const p0128 = (r: Row) => (r.monitors as Row[]).find((m) => m.code === 'P0128')!;
    expect(p0128(judged!)).toMatchObject({ ran: true, would_set: true, at_s: 900, margin_k: -23, two_drives: true });
    expect(p0128(frosty!)).toMatchObject({ ran: false, would_set: null });
    expect((p0128(frosty!).why_not as Row[])[0]).toMatchObject({
      condition: 'start-reading',
      needed_from: -8,
      was: -10,
    });
    expect(wrong!.error).toMatchObject({
      path: 'settings',
      message: expect.stringMatching(/sound-vehicle, time, air, fuel/) as unknown,
    });
    expect(odd!.error).toMatchObject({ path: 'trace.channels.ect' });
  });

  it('says of each trace that cannot be what is wrong with it, and still answers the others', async () => {
    const odd = (time_s: readonly number[], ect_c: readonly (number | null)[]) => ({
      trace: { time_s, channels: { ect_c } },
      vehicle: 'v.json',
    });
    const inputs = [
      odd([0, 60, 1e12], [10, 20, 30]),
      odd([0, 60, 1e308], [10, 20, 30]),
      odd([0, 60, 1e7], [10, 20, 30]),
      odd([-1e308, 60, 1e308], [10, 20, 30]),
      odd([0, 60, 120], [10, 1e300, 30]),
      odd([0, 1e-9], [10, 20]),
      odd([0, 60, 120], [null, null, null]),
      odd([0, 60, 120], [10, 20, 30]),
    ];
    for (const name of ['monitors', 'features'] as const) {
      const { status, answer } = await compute(name, inputs);
      expect(status).toBe(3);
      const rows = answer as Row[];
      expect(rows).toHaveLength(inputs.length);
      for (const row of rows.slice(0, 4)) {
        expect(row.error).toMatchObject({ path: 'trace.time_s' });
        expect((row.error as Row).message).toMatch(/seconds, not in milliseconds/);
      }
      expect(rows[4]!.error).toMatchObject({ path: 'trace.channels.ect_c[1]' });
      expect(rows[7]!.error).toBeUndefined();
    }
  });

  it('refuses a window of starts that nothing passes', async () => {
    const settings = { startFrom_c: 60, startTo_c: 50 };
    const { answer } = await compute('monitors', [{ trace: 'a.csv', vehicle: 'v.json', settings }]);
    expect((answer as Row[])[0]!.error).toMatchObject({ path: 'settings' });
  });

  it('compares two drives, and says which condition forbids it', async () => {
    const { status, answer } = await compute('compare', [
      { before: 'a.csv', after: 'a.csv', vehicle: 'v.json' },
      { before: 'a.csv', after: 'nowhere.csv', vehicle: 'v.json' },
    ]);
    expect(status).toBe(3);
    const [same, missing] = answer as Row[];
    expect(same).toMatchObject({ comparable: true });
    expect((same!.differences as Row[]).map((d) => d.condition)).toEqual([
      'outside',
      'start',
      'load',
      'speed',
      'heater',
      'length',
      'gearing',
    ]);
    expect(Object.values(same!.improved as Record<string, Row>).every((c) => c.became === 'same')).toBe(true);
    expect(missing!.error).toMatchObject({ path: 'after' });
  });
});

describe('compute mix, ledger and flush', () => {
  it('mixes over what stayed inside, says how much more must come out, and refuses what cannot be', async () => {
    const task = { capacity_l: 6.5, residual_l: 2.5, residual_pct: 30, target_pct: 50, add_pct: 100 };
    const { status, answer } = await compute('mix', [
      task,
      { ...task, add_pct: 60 },
      { ...task, residual_l: 6, residual_pct: 80 },
      { ...task, add_pct: 40 },
      { ...task, residual_l: 7 },
      { ...task, add_pct: 0 },
      { ...task, target_pct: 'half' },
      { ...task, colour: 'red' },
      { capacity_l: 6 },
    ]);
    expect(status).toBe(3);
    expect(answer[0]).toEqual({ reachable: true, add_l: 2.5, water_l: 1.5 });
    expect(answer[1]).toEqual({ reachable: false, drain_more_l: 0.333333, why: 'too-weak' });
    // 6.5 · 50 / 80 = 4.0625 may stay.
    expect(answer[2]).toEqual({ reachable: false, drain_more_l: 1.9375, why: 'too-strong' });
    expect(answer[3]).toEqual({ reachable: false, drain_more_l: null, why: 'too-weak' });
    expect(answer.slice(4)).toMatchObject([
      { error: { path: 'residual_l' } },
      { error: { path: 'add_pct' } },
      { error: { path: 'target_pct' } },
      { error: { message: 'unknown field: colour' } },
      { error: { message: expect.stringContaining('missing') as string } },
    ]);
  });

  it('keeps a ledger: inside, strength with its bounds, what is new, what is short', async () => {
    const events = [
      { kind: 'drained', l: 4, sd_l: 0.1 },
      { kind: 'added', l: 2.5, sd_l: 0.05, pct: 100 },
      { kind: 'added', l: 1.3, pct: 0 },
    ];
    const { status, answer } = await compute('ledger', [
      { capacity_l: 6.5, start_pct: 30, events },
      {
        start_l: 8,
        start_pct: 50,
        events: [
          { kind: 'drained', l: 4 },
          { kind: 'added', l: 4, pct: 50 },
        ],
      },
      {
        capacity_l: 6,
        events: [
          { kind: 'spilled', l: 2 },
          { kind: 'added', l: 2, pct: 50 },
        ],
      },
      { capacity_l: 6, start_pct: 30, events: [{ kind: 'drained', l: 6 }] },
      { capacity_l: 6, start_pct: 30, events: [{ kind: 'drained', l: 7 }] },
      { events: [{ kind: 'drained', l: 1 }] },
      { capacity_l: 6, events: [{ kind: 'added', l: 1 }] },
      { capacity_l: 6, events: [{ kind: 'drained', l: 1, pct: 20 }] },
      { capacity_l: 6, events: [{ kind: 'evaporated', l: 1 }] },
      { capacity_l: 6, events: [{ kind: 'drained', l: -1 }] },
    ]);
    expect(status).toBe(3);
    expect(answer[0]).toMatchObject({ inside_l: 6.3, inside_sd_l: 0.111803, pct: 51.587302, missing_l: 0.2 });
    expect(answer[0]!.renewed_share).toBeCloseTo(3.8 / 6.3, 5);
    expect(answer[0]!.pct_low as number).toBeLessThan(51.58);
    expect(answer[0]!.pct_high as number).toBeGreaterThan(51.59);
    expect(answer[1]).toEqual({
      ...{ inside_l: 8, inside_sd_l: 0, pct: 50, pct_low: 50, pct_high: 50, renewed_share: 0.5, missing_l: null },
    });
    expect(answer[2]).toMatchObject({ inside_l: 6, pct_low: 16.666667, pct_high: 83.333333, missing_l: 0 });
    expect(answer[3]).toMatchObject({ inside_l: 0, pct: null, renewed_share: null, missing_l: 6 });
    expect(answer.slice(4)).toMatchObject([
      { error: { code: 'impossible', path: 'events[0].l' } },
      { error: { code: 'impossible', path: 'start_l' } },
      { error: { path: 'events[0].pct' } },
      { error: { path: 'events[0].pct' } },
      { error: { path: 'events[0].kind' } },
      { error: { path: 'events[0].l' } },
    ]);
  });

  it('counts flushing cycles either way', async () => {
    const { status, answer } = await compute('flush', [
      { capacity_l: 8, drained_l: 4, cycles: 3 },
      { capacity_l: 8, drained_l: 4, until_pct: 10 },
      { capacity_l: 8, drained_l: 8, until_pct: 1 },
      { capacity_l: 8, drained_l: 3, cycles: 0 },
      { capacity_l: 8, drained_l: 9, cycles: 1 },
      { capacity_l: 8, drained_l: 0, until_pct: 10 },
      { capacity_l: 8, drained_l: 4 },
      { capacity_l: 8, drained_l: 4, cycles: 1, until_pct: 10 },
      { capacity_l: 8, drained_l: 4, cycles: 1.5 },
    ]);
    expect(status).toBe(3);
    expect(answer.slice(0, 4)).toEqual([
      { left_pct: 12.5, cycles: 3 },
      { left_pct: 6.25, cycles: 4 },
      { left_pct: 0, cycles: 1 },
      { left_pct: 100, cycles: 0 },
    ]);
    expect(answer.slice(4)).toMatchObject([
      { error: { path: 'drained_l' } },
      { error: { path: 'drained_l' } },
      { error: { path: 'cycles' } },
      { error: { path: 'until_pct' } },
      { error: { path: 'cycles' } },
    ]);
  });
});

describe('compute boiling, sender and thermostat', () => {
  it('boils where the published check says, at any height, and refuses what cannot be', async () => {
    const mix = { glycol: 'ethylene', glycol_pct: 47.6, cap_kpa: 103 };
    const { status, answer } = await compute('boiling', [
      mix,
      { ...mix, altitude_m: 2000 },
      { glycol: 'propylene', glycol_pct: 0, cap_kpa: 0, ambient_kpa: 101.325 },
      { ...mix, glycol: 'sugar' },
      { ...mix, glycol_pct: 120 },
      { ...mix, altitude_m: 100, ambient_kpa: 100 },
      { ...mix, colour: 'red' },
      { glycol: 'ethylene', glycol_pct: 50 },
    ]);
    expect(status).toBe(3);
    expect(Math.abs((answer[0]!.boils_c as number) - 129)).toBeLessThan(1);
    expect(answer[0]!.freezes_c).toBe(-33.8);
    expect(answer[1]!.boils_c as number).toBeLessThan(answer[0]!.boils_c as number);
    expect(answer[2]!.boils_c as number).toBeCloseTo(99.97, 1);
    expect(answer.slice(3)).toMatchObject([
      { error: { path: 'glycol' } },
      { error: { path: 'glycol_pct' } },
      { error: { path: 'ambient_kpa' } },
      { error: { message: 'unknown field: colour' } },
      { error: { message: 'cap_kpa is missing' } },
    ]);
  });

  it('explains a sender’s readings, and names the reading that cannot be', async () => {
    const curve = {
      points: [
        [20, 2500],
        [80, 320],
        [100, 186],
      ],
    };
    const readings = [
      [5, 4830],
      [50, 885],
      [90, 303],
    ].map(([true_c, ohm]) => ({ true_c, true_sd_k: 0.5, ohm }));
    const { status, answer } = await compute('sender', [
      { curve, readings },
      {
        curve: { family: 'generic-2k5' },
        circuit: { reference_v: 5, pullup_ohm: 2000 },
        readings: [
          { true_c: 20, volt: 5 },
          { true_c: 80, volt: 5 },
        ],
      },
      { curve, readings: [{ true_c: 20, ohm: -4 }] },
      { curve, readings: [{ true_c: 20 }] },
      { curve, readings: [{ true_c: 20, ohm: 5, volt: 3 }] },
      {
        curve: {
          points: [
            [20, 2500],
            [100, 186],
            [80, 320],
          ],
        },
        readings,
      },
      { curve: { family: 'brand' }, readings },
      { curve: {}, readings },
      { curve, readings: [] },
      { readings },
      { curve, readings: [{ true_c: 20, volt: 2 }] },
    ]);
    expect(status).toBe(3);
    const [plug, open] = answer as unknown as {
      faults: { fault: string; probability: number; value: number; unit: string }[];
      error_k: number[][];
    }[];
    expect(plug!.faults[0]).toMatchObject({ fault: 'series-resistance', unit: 'Ω' });
    expect(plug!.faults[0]!.probability).toBeGreaterThan(0.8);
    expect(plug!.faults.reduce((sum, f) => sum + f.probability, 0)).toBeCloseTo(1, 4);
    expect(plug!.error_k[0]![0]).toBe(-30);
    expect(plug!.error_k.at(-1)![0]).toBe(120);
    expect(open!.faults[0]!.fault).toBe('open');
    expect(answer.slice(2)).toMatchObject([
      { error: { path: 'readings[0].ohm' } },
      { error: { path: 'readings[0]' } },
      { error: { path: 'readings[0]' } },
      { error: { path: 'curve.points[2]' } },
      { error: { path: 'curve.family', message: expect.stringContaining('generic-2k5') as string } },
      { error: { path: 'curve' } },
      { error: { path: 'readings' } },
      { error: { path: 'curve' } },
      { error: { path: 'readings[0].volt' } },
    ]);
  });

  it('judges a thermostat in hot water, and names the reading that cannot be', async () => {
    const lifts = [
      [0, 60, 0],
      [180, 72, 0],
      [360, 80, 0.1],
      [450, 84, 1.6],
      [540, 88, 4.2],
      [630, 92, 7],
      [720, 95.5, 8.3],
      [780, 97, 8.3],
    ];
    const readings = lifts.map(([t_s, water_c, lift_mm]) => ({ t_s, water_c, lift_mm }));
    const seen = (list: readonly (readonly [number, number, string])[]) =>
      list.map(([t_s, water_c, state]) => ({ t_s, water_c, state }));
    const { status, answer } = await compute('thermostat', [
      { rated_c: 82, readings, thermometer_sd_k: 0.5 },
      {
        rated_c: 82,
        readings: seen([
          [0, 20, 'open'],
          [600, 90, 'open'],
        ]),
        light_when_cold: true,
      },
      {
        rated_c: 102,
        readings: seen([
          [0, 20, 'closed'],
          [900, 99, 'closed'],
        ]),
      },
      { rated_c: 82, readings: [...readings, { t_s: 700, water_c: 96, lift_mm: 8 }] },
      { rated_c: 82, readings: [{ t_s: 0, water_c: 300, lift_mm: 0 }] },
      { rated_c: 82, readings: [{ t_s: 0, water_c: 30 }] },
      { rated_c: 82, readings: seen([[0, 20, 'ajar']]) },
      { rated_c: 82, full_open_c: 80, readings },
      { rated_c: 400, readings },
    ]);
    expect(status).toBe(3);
    const [good, open, hot] = answer as unknown as {
      verdict: string;
      probability: number;
      reason: string;
      opens_c: { value: number; sd: number };
      closes_c: null;
    }[];
    expect(good).toMatchObject({ verdict: 'good', closes_c: null, hysteresis_k: null });
    expect(Math.abs(good!.opens_c.value - 80)).toBeLessThan(2 * good!.opens_c.sd);
    expect(open).toMatchObject({ verdict: 'stuck-open', opens_c: null });
    expect(hot).toMatchObject({ verdict: 'cannot-tell' });
    expect(hot!.reason).toContain('half glycol and water');
    expect(answer.slice(3)).toMatchObject([
      { error: { path: 'readings[8].t_s' } },
      { error: { path: 'readings[0].water_c' } },
      { error: { path: 'readings[0]' } },
      { error: { path: 'readings[0].state' } },
      { error: { path: 'full_open_c' } },
      { error: { path: 'rated_c' } },
    ]);
  });
});
