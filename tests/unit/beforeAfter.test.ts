import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeVehicleFile } from '@/core/formats';
import type { Phase } from '@/core/plant';
import { startingVehicle } from '@/core/planning';
import { computeCase } from '../../src/cli/compute/computeCase';
import { computeCompare } from '../../src/cli/compute/computeCompare';
import { plantLog, type PlantLog } from '../support/plantLog';

/** Drives of made-up cars by the plant, which the judge's model did not make. */
const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const OTHER = startingVehicle({ fuel: 'diesel', displacement_l: 2.8, hybrid: false });
const ROUND: readonly Phase[] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 300 },
  { kind: 'road', duration_s: 720 },
  { kind: 'town', duration_s: 180 },
  { kind: 'idle', duration_s: 300 },
];
const FAST: readonly Phase[] = [
  { kind: 'idle', duration_s: 30 },
  { kind: 'motorway', duration_s: 1500 },
];
const OPEN = { cause: 'thermostat-stuck-open', leakFraction: 0.7 } as const;
let folder = '';

type Driven = Partial<PlantLog> & { readonly seed: number };

/** Drives a car and writes its log. @returns the log's path */
function log(driven: Driven): string {
  const file = path.join(folder, `${driven.seed}.csv`);
  writeFileSync(file, plantLog({ vehicle: CAR, body: 41, ambient_c: 2, phases: ROUND, ...driven }));
  return file;
}

interface Compared {
  readonly comparable: boolean;
  readonly differences: readonly { readonly condition: string; readonly agrees: boolean | null }[];
  readonly improved: Readonly<
    Record<string, { readonly became: string; readonly change: number; readonly sd: number }>
  >;
}

const compare = async (before: string, after: string): Promise<Compared> => {
  const answer = await computeCompare({ before, after, vehicle: path.join(folder, 'car.json') });
  if (!answer.ok) throw new Error(answer.error.message);
  return answer.value as Compared;
};
const differing = ({ differences }: Compared) => differences.filter((d) => d.agrees === false).map((d) => d.condition);

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'before-after-'));
  writeFileSync(path.join(folder, 'car.json'), writeVehicleFile(CAR));
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('compute compare on a repair', () => {
  it('the same car on a like day is comparable, and better by many of its own uncertainties', async () => {
    const found = await compare(log({ fault: OPEN, seed: 1 }), log({ ambient_c: 5, seed: 2 }));
    expect(differing(found)).toEqual([]);
    expect(found.comparable).toBe(true);
    const { plateau } = found.improved;
    expect(plateau!.became).toBe('better');
    expect(plateau!.change).toBeGreaterThan(10 * plateau!.sd);
  });

  it('nothing repaired is called no better', async () => {
    const found = await compare(log({ fault: OPEN, seed: 3 }), log({ fault: OPEN, ambient_c: 3, seed: 4 }));
    expect(found.comparable).toBe(true);
    expect(found.improved.plateau!.became).not.toBe('better');
  });

  it('on another day it is not, and no figure is called better', async () => {
    const found = await compare(log({ fault: OPEN, seed: 5 }), log({ ambient_c: 22, seed: 6 }));
    expect(found.comparable).toBe(false);
    expect(differing(found)).toContain('outside');
    expect(Object.values(found.improved).some((c) => c.became === 'better' || c.became === 'worse')).toBe(false);
  });

  it('nor under another load', async () => {
    const found = await compare(log({ fault: OPEN, seed: 7 }), log({ phases: FAST, seed: 8 }));
    expect(found.comparable).toBe(false);
    expect(differing(found)).toEqual(expect.arrayContaining(['load', 'speed']));
  });

  it('nor with another car, whose gears are others', async () => {
    const found = await compare(
      log({ phases: FAST, fault: OPEN, seed: 9 }),
      log({ phases: FAST, vehicle: OTHER, body: 77, seed: 10 }),
    );
    expect(found.comparable).toBe(false);
    expect(differing(found)).toContain('gearing');
  });
});

describe('compute case on a repair', () => {
  interface Answer {
    readonly now: readonly { readonly cause: string; readonly probability: number }[];
    readonly at_arrival: readonly { readonly cause: string; readonly probability: number }[];
    readonly separable: { readonly separable: boolean } | null;
    readonly unproven: boolean;
  }
  const caseWith = async (...entries: readonly object[]): Promise<Answer> => {
    const answer = await computeCase({ vehicle: path.join(folder, 'car.json'), entries });
    if (!answer.ok) throw new Error(answer.error.message);
    return answer.value as Answer;
  };
  const drive = (trace: string) => ({ kind: 'drive', trace });
  const work = (kind: string) => ({ kind: 'work', work: kind });
  const sound = (odds: Answer['now']) =>
    odds.filter((o) => o.cause === 'healthy' || o.cause === 'insufficient-heat').reduce((s, o) => s + o.probability, 0);

  it('cured: sound now, and the arrival stays with the thermostat', async () => {
    const found = await caseWith(
      drive(log({ fault: OPEN, seed: 11 })),
      work('replaced-thermostat'),
      drive(log({ seed: 12 })),
    );
    expect(sound(found.now)).toBeGreaterThan(0.8);
    expect(found.at_arrival[0]!.cause).toBe('thermostat-stuck-open');
    expect(found).toMatchObject({ unproven: false, separable: { separable: true } });
  });

  it('not cured: the fault stands again, with what was done taken into account', async () => {
    const before = drive(log({ fault: OPEN, seed: 13 }));
    const after = drive(log({ fault: OPEN, ambient_c: 4, seed: 14 }));
    const found = await caseWith(before, work('replaced-sender'), after);
    expect(sound(found.now)).toBeLessThan(0.2);
    expect(found.now[0]!.cause).toMatch(/^thermostat-/);
  });

  it('worked on and not driven since: expected, not proven', async () => {
    const found = await caseWith(drive(log({ fault: OPEN, seed: 15 })), work('replaced-thermostat'));
    expect(found.unproven).toBe(true);
  });

  it('the same log after the work is no proof of it', async () => {
    const same = drive(log({ seed: 16 }));
    const found = await caseWith(same, work('replaced-thermostat'), { ...same, id: 'again' });
    expect(found.unproven).toBe(true);
  });
});
