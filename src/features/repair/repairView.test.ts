import { describe, expect, it } from 'vitest';
import { ledgerOf, type StripItem } from '@/core/repair';
import { seenIn } from './bleed/warmUpSeen';
import { volumesSay } from './drain/flowWords';
import { changed, switched, without } from './lists';
import { isScrew, newItem, STRIP_NAME } from './strip/stripItem';

describe('lists of a sheet', () => {
  const list = [
    { id: 'a', n: 1 },
    { id: 'b', n: 2 },
  ];
  it('are changed, shortened and switched by id', () => {
    expect(changed(list, 'b', { n: 5 })).toEqual([list[0], { id: 'b', n: 5 }]);
    expect(changed(list, 'nobody', { n: 5 })).toEqual(list);
    expect(without(list, 'a')).toEqual([list[1]]);
    expect(switched(['x'], 'y')).toEqual(['x', 'y']);
    expect(switched(['x', 'y'], 'x')).toEqual(['y']);
  });
});

describe('things taken off', () => {
  it('have the next number of their kind and the next label', () => {
    let items: readonly StripItem[] = [];
    for (const kind of ['bolt', 'hose', 'bolt'] as const) items = [...items, newItem(kind, items, 5)];
    expect(items.map((i) => [i.name, i.label])).toEqual([
      ['Bolt 1', '1'],
      ['Hose 1', '2'],
      ['Bolt 2', '3'],
    ]);
    expect(new Set(items.map((i) => i.id)).size).toBe(3);
    expect(items.every((i) => i.backAt === null && i.at === 5)).toBe(true);
    expect(Object.keys(STRIP_NAME).filter((k) => isScrew(k as StripItem['kind']))).toEqual(['bolt']);
  });
});

describe('what volumes prove', () => {
  const said = (out_l: number, in_l: number) => {
    const read = ledgerOf({ capacity_l: 8, start_l: 8, start_pct: 50 }, [
      { kind: 'drained', l: out_l, sd_l: 0.05 },
      ...(in_l > 0 ? [{ kind: 'added', l: in_l, sd_l: 0.05, pct: 50 } as const] : []),
    ]);
    if (!read.ok) throw new Error(read.error.message);
    return volumesSay(read.value, out_l, in_l);
  };
  it('draining alone leaves a rest', () => {
    expect(said(4, 0).not).toContain('Draining never empties it');
  });
  it('equal in and out is level, not renewal', () => {
    expect(said(4, 4)).toEqual({
      proves: 'As much went in as came out: the level is as it was before.',
      not: 'Not that it is renewed: 50 % of what is inside is new. Not that it was full before.',
    });
    // Within what the jug knows, a little more is as much.
    expect(said(4, 4.1).proves).toContain('As much');
  });
  it('more or less in than out has two readings each', () => {
    expect(said(4, 4.6).proves).toContain('short before, or the air is out');
    expect(said(4, 3.2).proves).toContain('air is inside, or it is not full');
  });
});

describe('a log of the bleeding', () => {
  const time_s = Array.from({ length: 1500 }, (_, i) => 100 + i);
  const warming = time_s.map((t) => Math.min(88, 20 + 0.09 * (t - 100)));
  const fan = time_s.map((t) => (t >= 1300 && t < 1420 ? 100 : 0));

  it('shows opening, fan on and off from its first sample', () => {
    const seen = seenIn(time_s, warming, { rpm: null, fan_pct: fan, opens_c: 88 })!;
    expect(seen).toMatchObject({ last_c: 88, top_c: 88, length_s: 1499, fanOn_s: 1200, fanOff_s: 1320 });
    expect(Math.abs(seen.opening!.at_s - 68 / 0.09)).toBeLessThan(45);
  });

  it('without a fan, before the fan went off, and before anything', () => {
    expect(seenIn(time_s, warming, { rpm: null, fan_pct: null, opens_c: 88 })).toMatchObject({
      fanOn_s: null,
      fanOff_s: null,
    });
    const so_far = (n: number) =>
      seenIn(time_s.slice(0, n), warming.slice(0, n), { rpm: null, fan_pct: fan.slice(0, n), opens_c: 88 });
    expect(so_far(1250)).toMatchObject({ fanOn_s: 1200, fanOff_s: null });
    expect(so_far(400)).toMatchObject({ opening: null, fanOn_s: null });
    expect(so_far(1)).toBeNull();
    expect(seenIn([0, 1, 2], [NaN, NaN, NaN], { rpm: null, fan_pct: null, opens_c: 88 })).toBeNull();
  });
});
