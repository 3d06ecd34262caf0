import { describe, expect, it } from 'vitest';
import { CAUSES } from '../../base';
import { CODES } from '../../codes';
import { CATALOGUE, findItem } from '../../evidence';
import { startingVehicle } from '../../planning';
import { lineContext } from '../context';
import type { CheckEntry, CodeEntry } from '../entry';
import { MARKS, type MarkId } from '../marks';
import { fromBench, fromCheck, fromCode, fromStatement } from './answered';

const CONTEXT = lineContext(startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));
const BASE = { id: 'e', at: 1 };

const code = (name: string, clearedAt: number | null = null): CodeEntry => ({
  ...BASE,
  kind: 'code',
  code: name,
  freezeFrame: '',
  clearedAt,
});
const check = (item: string, answer: string, minute: number | null = null): CheckEntry => ({
  ...{ ...BASE, kind: 'check', item, answer, minute },
});

/** How much a line speaks for its favourite against the one it likes least. */
const span = (lines: ReturnType<typeof fromCheck>): number => {
  const logs = lines.map((l) => CAUSES.map((c) => l.logLikelihood[c]));
  return logs.length === 0 ? 0 : Math.max(...logs[0]!) - Math.min(...logs[0]!);
};

describe('every item of the catalogue', () => {
  it.each(CATALOGUE.map((item) => [item.id, item] as const))('%s: each of its answers makes one line', (id, item) => {
    for (const { key } of item.answers) {
      const [line, ...more] = fromCheck(check(id, key), CONTEXT);
      expect(more).toEqual([]);
      expect(line!.answers).toEqual([id]);
      for (const c of CAUSES) expect(Number.isFinite(line!.logLikelihood[c])).toBe(true);
    }
  });

  it('an answer that it does not have makes none', () => {
    expect(fromCheck(check('look-level-low', 'purple'), CONTEXT)).toEqual([]);
    expect(fromStatement({ ...BASE, kind: 'statement', item: 'of another time', answer: 'yes' }, CONTEXT)).toEqual([]);
  });
});

describe('stored codes', () => {
  it('each that is evidence names an item that there is', () => {
    for (const { itemId } of CODES) if (itemId !== null) expect(findItem(itemId)).toBeDefined();
  });

  it.each(['P0125', 'P0126', 'P2181'])('%s is told by its own name, not as P0128', (name) => {
    const [line] = fromCode(code(name), CONTEXT);
    expect(line!.seen).toBe(`${name} stored`);
    expect(line!.answers).not.toContain('code-P0128');
  });

  it('a cleared one says so, an unknown one says nothing', () => {
    expect(fromCode(code('P0128', 5), CONTEXT)[0]!.seen).toContain('since cleared');
    expect(fromCode(code('P9999'), CONTEXT)).toEqual([]);
  });
});

describe('the bench', () => {
  const tested = (part: 'old' | 'new') => {
    const item = findItem('bench-thermostat')!;
    return fromBench({ ...BASE, kind: 'bench', item: item.id, answer: item.answers[0]!.key, part, text: '' }, CONTEXT);
  };

  it('of the part that came out counts, of the one that goes in it does not', () => {
    expect(tested('old')).toHaveLength(1);
    expect(tested('new')).toEqual([]);
  });
});

describe('marks of a drive', () => {
  const marked = (item: MarkId, minute: number | null) => fromCheck(check(item, 'seen', minute), CONTEXT);

  it('a top hose that is warm in the first minute speaks, later less, at minute ten not at all', () => {
    const [first, third, tenth] = [1, 3, 10].map((m) => span(marked('mark-top-hose-warm', m)));
    expect(first).toBeGreaterThan(third!);
    expect(third).toBeGreaterThan(0);
    expect(tenth).toBe(0);
    expect(marked('mark-top-hose-warm', 1)[0]!.seen).toBe('Top hose warm at minute 1.0');
  });

  it('without a minute none speaks', () => {
    for (const item of Object.keys(MARKS) as MarkId[]) expect(marked(item, null)).toEqual([]);
  });
});
