import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { commandFolder } from '../support/commandFolder';

const ROOT = path.join(import.meta.dirname, '..', '..');
const folder = commandFolder();
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

describe('diagnose', () => {
  it('judges many over all cores and still prints them in order, the unreadable one in its place', () => {
    const items = ['short.csv', 'a.csv', 'bad.csv', 'a.csv', 'short.csv'].map((trace) => ({
      trace,
      vehicle: 'v.json',
    }));
    writeFileSync(file('many.json'), JSON.stringify({ schema: 'varmek-manifest/1', items }));
    const { status, lines } = run('diagnose.ts', '--manifest', 'many.json', '--json');
    expect(status).toBe(3);
    expect(lines.map((l) => l.file)).toEqual(items.map((i) => i.trace));
    expect(lines.map((l) => 'error' in l)).toEqual([false, false, true, false, false]);
    expect(lines[1]).toEqual(lines[3]);
    expect(lines[0]).toEqual(lines[4]);
  }, 120_000);

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
    const optional = ['also', 'leans_on'];
    const fields = Object.keys(first).filter((key) => !optional.includes(key));
    expect(fields.sort()).toEqual(['causes', 'codes', 'file', 'next', 'quality', 'schema', 'verdict']);
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

  it('says where it could not write, and changes nothing', () => {
    const { status, lines } = run('convert.ts', 'a.csv', 'no/such/folder/out.csv');
    expect(status).toBe(3);
    expect(lines).toMatchObject([{ file: 'a.csv', error: { code: 'not-written' } }]);
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
