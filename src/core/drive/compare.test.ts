import { describe, expect, it } from 'vitest';
import { alignedAbscissa, compareConditions, type ComparedDrive } from './compare';
import { testFeatureDrive, testTrace } from '../../../tests/support/testDrive';

function driven(
  change: { speed?: number; maf?: number; heater?: number; outside?: number; seconds?: number } = {},
): ComparedDrive {
  const { speed = 60, maf = 12, heater = 40, outside = 8, seconds = 1500 } = change;
  const trace = testTrace(seconds, {
    ect_c: (t) => Math.min(88, 8 + t / 8),
    speed_kmh: () => speed,
    maf_gps: () => maf,
    heater_pct: () => heater,
    rpm: () => 1900,
  });
  return testFeatureDrive(trace, { outside_c: outside });
}
const differing = (a: ComparedDrive, b: ComparedDrive) =>
  compareConditions(a, b)
    .filter((c) => c.agrees === false)
    .map((c) => c.condition);

describe('conditions of two drives', () => {
  it.each([
    ['the same drive', {}, []],
    ['a little warmer', { outside: 15 }, []],
    ['a summer day', { outside: 24 }, ['outside']],
    ['a faster road', { speed: 100 }, ['speed']],
    ['twice the load', { maf: 24 }, ['load']],
    ['the heater full', { heater: 100 }, ['heater']],
    ['a third of the length', { seconds: 500 }, ['length']],
  ] as const)('%s', (_, change, differ) => expect(differing(driven(), driven(change))).toEqual(differ));

  it('are not known where nothing tells them, and then neither agree nor differ', () => {
    const bare = testFeatureDrive(testTrace(1500, { ect_c: (t) => Math.min(88, 8 + t / 8) }));
    const found = compareConditions(bare, driven());
    for (const name of ['outside', 'load', 'speed', 'heater']) {
      expect(found.find((c) => c.condition === name)).toMatchObject({ before: null, agrees: null });
    }
    expect(found.find((c) => c.condition === 'start')!.agrees).toBe(true);
  });
});

describe('laying drives over each other', () => {
  const drive = driven();

  it('by start, by 40 °C (after 256 s), by the opening, by heat', () => {
    expect(alignedAbscissa(drive, 'start', null)![0]).toBe(0);
    expect(alignedAbscissa(drive, 'temperature', null)![0]).toBeCloseTo(-256, -1);
    expect(alignedAbscissa(drive, 'opening', 600)![0]).toBe(-600);
    // 12 g/s of air is 0.816 g/s of fuel, 35.5 kW: 53.3 MJ in 1500 s.
    expect(alignedAbscissa(drive, 'heat', null)!.at(-1)).toBeCloseTo(53.3, 0);
  });

  it('not by what a drive does not have', () => {
    expect(alignedAbscissa(drive, 'opening', null)).toBeNull();
    const bare = testFeatureDrive(testTrace(600, { ect_c: () => 20 }));
    expect(alignedAbscissa(bare, 'heat', null)).toBeNull();
    expect(alignedAbscissa(bare, 'temperature', null)).toBeNull();
  });
});
