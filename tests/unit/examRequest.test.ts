import { describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { CHANNEL_SETS, requestFor } from '../../scripts/exam/case';

const requests = (count: number, only: (typeof CHANNEL_SETS)[number] | null) =>
  Array.from({ length: count }, (_, i) => requestFor(i, { seed: 500, only }));

describe('what an exam asks for', () => {
  it('takes channel sets in turn, each with every cause', () => {
    const all = requests(252, null);
    expect(all.slice(0, 4).map((r) => r.channelSet)).toEqual([...CHANNEL_SETS, CHANNEL_SETS[0]]);
    for (const set of CHANNEL_SETS) {
      const causes = new Set(all.filter((r) => r.channelSet === set).map((r) => r.cause));
      expect([...causes].sort()).toEqual([...CAUSES].sort());
    }
  });

  it.each(CHANNEL_SETS)('asks for %s only, and still for every cause', (only) => {
    const some = requests(84, only);
    expect(new Set(some.map((r) => r.channelSet))).toEqual(new Set([only]));
    expect(new Set(some.map((r) => r.cause)).size).toBe(CAUSES.length);
  });

  it('keeps a quarter of sound vehicles, some hot starts, and a seed for each case', () => {
    const all = requests(276, null);
    const sound = all.filter((r) => r.cause === 'healthy' || r.cause === 'insufficient-heat');
    expect(sound.length / all.length).toBeCloseTo(0.25, 2);
    const hot = all.filter((r) => r.hotStart);
    expect(hot.length).toBeGreaterThan(8);
    expect(hot.length).toBeLessThan(20);
    expect(new Set(all.map((r) => r.seed)).size).toBe(all.length);
    expect(all[7]!.seed).toBe(507);
  });
});
