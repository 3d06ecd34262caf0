import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { writeVehicleFile } from '@/core/formats';
import { startingVehicle } from '@/core/planning';

const ROOT = path.join(import.meta.dirname, '..', '..');
const folder = mkdtempSync(path.join(os.tmpdir(), 'varmek-'));
const file = (name: string) => path.join(folder, name);

/** Runs a command of the project the way npm does: from its root, with the caller's folder in INIT_CWD. */
const run = (entry: string, ...argv: string[]) => runWith('', entry, ...argv);

/** The same with something on standard input. */
function runWith(input: string, entry: string, ...argv: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', path.join('src', 'cli', entry), ...argv],
    {
      cwd: ROOT,
      encoding: 'utf8',
      input,
      env: { ...process.env, INIT_CWD: folder },
    },
  );
  return {
    status,
    stdout,
    stderr,
    lines: stdout
      .trim()
      .split('\n')
      .filter(Boolean)
      .map((l) => JSON.parse(l) as Record<string, unknown>),
  };
}

beforeAll(() => {
  const demo = path.join(ROOT, 'public', 'demo');
  writeFileSync(file('a.csv'), readFileSync(path.join(demo, 'ferry-early.csv')));
  writeFileSync(file('short.csv'), readFileSync(path.join(demo, 'ferry-short.csv')));
  writeFileSync(file('bad.csv'), 'time_s,rpm\n0,1\n1,2\n2,3\n');
  const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
  writeFileSync(file('v.json'), writeVehicleFile({ ...vehicle, thermostat: { ...vehicle.thermostat, rated_c: 89 } }));
  writeFileSync(
    file('list.json'),
    JSON.stringify({
      schema: 'varmek-manifest/1',
      items: [
        { trace: 'short.csv', vehicle: 'v.json' },
        { trace: 'bad.csv', vehicle: 'v.json' },
      ],
    }),
  );
});

describe('diagnose', () => {
  it('prints one result per line, in order, as the contract says', () => {
    const { status, lines } = run('diagnose.ts', 'a.csv', 'short.csv', '--vehicle', 'v.json', '--json');
    expect(status).toBe(0);
    expect(lines.map((l) => l.file)).toEqual(['a.csv', 'short.csv']);
    const first = lines[0] as {
      schema: string;
      verdict: { cause: string; probability: number; grade: string; reason: string };
      causes: { cause: string; probability: number; parameters: object }[];
      codes: { code: string; wouldSet: boolean; at_s: number | null }[];
      quality: { usable: boolean; problems: string[] };
      next: { test: string; why: string }[];
    };
    expect(first.schema).toBe('varmek-result/1');
    expect(Object.keys(first).sort()).toEqual(['causes', 'codes', 'file', 'next', 'quality', 'schema', 'verdict']);
    expect(first.verdict.cause).toBe('thermostat-opens-early');
    expect(first.verdict.cause).toBe(first.causes[0]!.cause);
    expect(first.causes.map((c) => c.cause).sort()).toEqual([...CAUSES].sort());
    expect(first.causes.reduce((s, c) => s + c.probability, 0)).toBeCloseTo(1, 9);
    first.causes.forEach(
      (c, i) => i > 0 && expect(c.probability).toBeLessThanOrEqual(first.causes[i - 1]!.probability),
    );
    expect(first.next.length).toBeGreaterThan(0);
    expect(lines[1]).toMatchObject({ verdict: { grade: 'inconclusive' }, quality: { usable: false } });
  });

  it('goes on past a file it cannot read, and exits with 3', () => {
    const { status, lines } = run('diagnose.ts', '--manifest', 'list.json', '--json');
    expect(status).toBe(3);
    expect(lines).toHaveLength(2);
    expect(lines[0]).toMatchObject({ file: 'short.csv', schema: 'varmek-result/1' });
    expect(lines[1]).toMatchObject({ file: 'bad.csv', error: { code: 'no-temperature', line: 1 } });
  });

  it('judges several drives of one vehicle together, and says what each said alone', () => {
    writeFileSync(
      file('drives.json'),
      JSON.stringify({
        schema: 'varmek-manifest/1',
        items: [{ traces: ['short.csv', 'a.csv'], vehicle: 'v.json' }],
      }),
    );
    const { status, lines } = run('diagnose.ts', '--manifest', 'drives.json', '--json');
    expect(status).toBe(0);
    expect(lines).toHaveLength(1);
    const [line] = lines as {
      file: string[];
      verdict: { cause: string };
      causes: { probability: number }[];
      drives: { file: string; verdict: { grade: string }; quality: { usable: boolean } }[];
    }[];
    expect(line!.file).toEqual(['short.csv', 'a.csv']);
    expect(line!.verdict.cause).toBe('thermostat-opens-early');
    expect(line!.causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 9);
    expect(line!.drives.map((d) => [d.file, d.quality.usable])).toEqual([
      ['short.csv', false],
      ['a.csv', true],
    ]);
  });

  it.each([
    [['--json']],
    [['a.csv']],
    [['a.csv', '--vehicle', 'v.json', '--nonsense']],
    [['--manifest', 'missing.json']],
  ])('exits with 2 on %j', (argv) => {
    const { status, stdout } = run('diagnose.ts', ...argv);
    expect(status).toBe(2);
    expect(stdout).toBe('');
  });

  it('writes a readable summary without --json', () => {
    const { stdout } = spawnSync(
      process.execPath,
      ['--import', 'tsx', 'src/cli/diagnose.ts', 'a.csv', '--vehicle', 'v.json'],
      {
        cwd: ROOT,
        encoding: 'utf8',
        env: { ...process.env, INIT_CWD: folder },
      },
    );
    expect(stdout).toMatch(/a\.csv\n\s+(confirmed|likely): thermostat-opens-early \d+ %/);
  });
});

describe('convert', () => {
  it('writes the canonical CSV and its report', () => {
    const { status, lines } = run('convert.ts', 'a.csv', 'out.csv');
    expect(status).toBe(0);
    expect(lines[0]).toMatchObject({ rows: 1799 });
    expect(readFileSync(file('out.csv'), 'utf8').split('\n')[0]).toBe('time_s,ect_c,iat_c,speed_kmh,rpm');
  });

  it('asks when a person would have to choose', () => {
    writeFileSync(file('odd.csv'), 'time_s,temp a,temp b\n0,1,2\n1,1,2\n2,1,2\n3,1,2\n');
    const { status, lines } = run('convert.ts', 'odd.csv', 'never.csv');
    expect(status).toBe(3);
    expect(lines[0]).toMatchObject({ error: { code: 'needs-mapping' } });
    expect((lines[0]!.error as { guesses: unknown[] }).guesses).toHaveLength(3);
  });
});

describe('compute case', () => {
  const said = { kind: 'statement', item: 'complaint-slow-warm-up', answer: 'yes' };
  const low = { kind: 'check', item: 'look-level-low', answer: 'low' };
  const compute = (input: unknown) => runWith(JSON.stringify(input), 'compute.ts', 'case');

  it('answers an array in its order, drives by path, and changes its odds with the work', () => {
    const entries = [said, { kind: 'drive', trace: 'a.csv' }];
    const work = { kind: 'work', work: 'replaced-thermostat' };
    const { status, stdout } = compute([
      { vehicle: 'v.json', entries },
      { vehicle: 'v.json', entries: [...entries, work], prices: { labourPerHour: 100 } },
    ]);
    expect(status).toBe(0);
    const [before, after] = JSON.parse(stdout) as {
      now: { cause: string; probability: number }[];
      at_arrival: { cause: string; probability: number }[];
      next: { gain_bits: number; saves?: number }[];
      actions?: { action: string; cost: number; p_cured: number }[];
    }[];
    expect(before!.now[0]!.cause).toBe('thermostat-opens-early');
    expect(before!.now).toEqual(before!.at_arrival);
    expect(before!.actions).toBeUndefined();
    const share = (odds: { cause: string; probability: number }[], cause: string) =>
      odds.find((o) => o.cause === cause)!.probability;
    expect(share(after!.now, 'thermostat-opens-early')).toBeLessThan(
      share(after!.at_arrival, 'thermostat-opens-early') / 3,
    );
    expect(share(after!.now, 'healthy')).toBeGreaterThan(share(before!.now, 'healthy'));
    expect(after!.now.reduce((sum, o) => sum + o.probability, 0)).toBeCloseTo(1, 4);
    expect(after!.next[0]!.saves).toBeGreaterThanOrEqual(0);
    expect(after!.actions!.map((a) => a.cost)).toEqual(after!.actions!.map((a) => a.cost).sort((x, y) => x - y));
  });

  it('keeps an entry that it does not know and lets it move nothing', () => {
    const odd = { kind: 'smelled', of: 'fish' };
    const { stdout } = compute([
      { vehicle: 'v.json', entries: [low] },
      { vehicle: 'v.json', entries: [low, odd] },
    ]);
    const [without, withOdd] = JSON.parse(stdout) as { now: unknown; unknown: { why: string }[] }[];
    expect(withOdd!.now).toEqual(without!.now);
    expect(withOdd!.unknown[0]!.why).toContain('smelled');
  });

  it('gives an error in its place, with where, and exits with 3', () => {
    const { status, stdout } = compute([
      { vehicle: 'v.json', entries: [{ kind: 'drive', trace: 'bad.csv' }] },
      { vehicle: 'v.json', entries: [], colour: 'red' },
      { vehicle: 'v.json', entries: [] },
    ]);
    expect(status).toBe(3);
    expect(JSON.parse(stdout)).toMatchObject([
      { error: { code: 'no-temperature', path: 'entries[0].trace' } },
      { error: { message: 'unknown field: colour' } },
      { grade: 'inconclusive' },
    ]);
  });

  it.each([
    ['an unknown name', '{}', 'brew'],
    ['no JSON', 'vehicle: v', 'case'],
  ])('exits with 2 on %s', (_, input, name) => {
    const { status, stdout } = runWith(input, 'compute.ts', name);
    expect(status).toBe(2);
    expect(stdout).toBe('');
  });
});

describe('compute features, monitors and compare', () => {
  const compute = (name: string, input: unknown) => runWith(JSON.stringify(input), 'compute.ts', name);
  type Row = Record<string, unknown>;

  it('prints every figure with its uncertainty, place and expectation, or why there is none', () => {
    const { status, lines } = compute('features', { trace: 'a.csv', vehicle: 'v.json' });
    expect(status).toBe(0);
    const features = lines[0]!.features as Record<string, Row>;
    expect(Object.keys(features)).toEqual(expect.arrayContaining(['minutes-to-60', 'bend', 'plateau', 'hold-idle']));
    expect(features['minutes-to-40']).toMatchObject({ unit: 'min', from_s: 0 });
    for (const [name, f] of Object.entries(features)) {
      expect(f, name).toHaveProperty('expected_low');
      if (f.value === null) expect(f.why, name).toEqual(expect.stringMatching(/\w{3}/));
      else for (const k of ['value', 'sd', 'from_s', 'to_s']) expect(Number.isFinite(f[k]), `${name} ${k}`).toBe(true);
    }
    expect(features['heater-effectiveness']!.why).toMatch(/vent/);
  });

  it('runs the monitors by settings of one’s own, on a trace written out as well', () => {
    const time_s = Array.from({ length: 1500 }, (_, i) => i);
    const cold = {
      time_s,
      channels: { ect_c: time_s.map((t) => Math.min(55, 10 + t / 10)), iat_c: time_s.map(() => 10) },
    };
    const table = { warmUp: 'time', tables: { time: [[0, 900]] } };
    const { status, lines } = compute('monitors', [
      { trace: cold, vehicle: 'v.json', settings: table },
      {
        trace: { ...cold, channels: { ...cold.channels, ect_c: cold.channels.ect_c.map((c) => c - 21) } },
        vehicle: 'v.json',
      },
      { trace: cold, vehicle: 'v.json', settings: { warmUp: 'moonlight' } },
      { trace: { time_s: [0, 1], channels: { ect: [1, 2] } }, vehicle: 'v.json' },
    ]);
    expect(status).toBe(3);
    const [judged, frosty, wrong, odd] = lines[0] as unknown as Row[];
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

  it('compares two drives, and says which condition forbids it', () => {
    const { status, lines } = compute('compare', [
      { before: 'a.csv', after: 'a.csv', vehicle: 'v.json' },
      { before: 'a.csv', after: 'nowhere.csv', vehicle: 'v.json' },
    ]);
    expect(status).toBe(3);
    const [same, missing] = lines[0] as unknown as Row[];
    expect(same).toMatchObject({ comparable: true });
    expect((same!.differences as Row[]).map((d) => d.condition)).toEqual([
      'outside',
      'start',
      'load',
      'speed',
      'heater',
      'length',
    ]);
    expect(Object.values(same!.improved as Record<string, Row>).every((c) => c.became === 'same')).toBe(true);
    expect(missing!.error).toMatchObject({ path: 'after' });
  });
});
