import { describe, expect, it } from 'vitest';
import { fuzzOne } from '../../scripts/fuzz/oneCase';
import { WRONG } from '../../scripts/fuzz/verdict';

const FROM = 1;
const COUNT = 3000;

describe('damaged logs', () => {
  it('are read right, reported, asked about or refused', { timeout: 300_000 }, async () => {
    const counts = new Map<string, number>();
    const wrong: string[] = [];
    for (let seed = FROM; seed < FROM + COUNT; seed++) {
      const { outcome, mutations, why } = await fuzzOne(seed);
      counts.set(outcome, (counts.get(outcome) ?? 0) + 1);
      if (WRONG.includes(outcome)) wrong.push(`${seed} ${outcome} (${mutations.join('; ')}): ${why}`);
    }
    expect(wrong).toEqual([]);
    // A reader that only asked or refused would be no reader.
    expect((counts.get('exact') ?? 0) + (counts.get('reported') ?? 0)).toBeGreaterThan(0.55 * COUNT);
    expect(counts.get('wrong but reported') ?? 0).toBeLessThan(0.02 * COUNT);
  });
});
