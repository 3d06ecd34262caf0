import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { carried, revert } from '@/storage/revert';

describe('taking one change back', () => {
  it('is what it was where nothing came later', () => {
    const before = { a: 1, list: [{ id: 'x', n: 1 }] };
    const after = { a: 2, list: [] as { id: string; n: number }[] };
    expect(revert(before, after, after)).toBe(before);
    expect(revert(before, before, after)).toBe(after);
  });

  it('keeps what came later, in lists too', () => {
    const one = { id: 'one', off: false };
    const two = { id: 'two', off: false };
    // One was added, then another: the first goes, the second stays.
    expect(revert<unknown[]>([], [one], [one, two])).toEqual([two]);
    // One was taken out, another added since.
    expect(revert<unknown[]>([one], [], [two])).toEqual([two, one]);
    // One was changed, and something else of it since.
    const changed = { id: 'one', off: true, note: '' };
    expect(revert<unknown[]>([{ ...one, note: '' }], [changed], [{ ...changed, note: 'seat' }, two])).toEqual([
      { id: 'one', off: false, note: 'seat' },
      two,
    ]);
  });

  it('leaves a field that somebody changed again', () => {
    expect(revert({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 3, b: 9 })).toEqual({ a: 3, b: 9 });
    expect(revert({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 2, b: 9 })).toEqual({ a: 1, b: 9 });
  });

  it('takes out a key that it had put in, and puts back one that it had taken out', () => {
    expect(revert<Record<string, number>>({}, { tick: 1 }, { tick: 1, other: 2 })).toEqual({ other: 2 });
    expect(revert<Record<string, number>>({ tick: 1 }, {}, { other: 2 })).toEqual({ other: 2, tick: 1 });
  });

  it('keys, words and flags of lists without ids', () => {
    expect(revert(['a'], ['a', 'b'], ['a', 'b', 'c'])).toEqual(['a', 'c']);
    expect(revert(['a', 'b'], ['a'], ['a', 'c'])).toEqual(['a', 'c', 'b']);
    const r = (at_s: number) => ({ at_s, what: 'fan-on' });
    expect(revert([r(1)], [r(1), r(2)], [r(1), r(2), r(3)])).toEqual([r(1), r(3)]);
  });

  it('a change and its taking back leave any later change of another field alone', () => {
    const value = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.integer(), { maxKeys: 3, noNullPrototype: true });
    fc.assert(
      fc.property(value, value, fc.integer(), (before, after, later) => {
        const now = { ...after, later };
        const back = revert<Record<string, number>>(before, after, now);
        expect(back).toEqual({ ...before, later });
      }),
    );
  });
});

describe('carrying a change over', () => {
  it('makes what it made, and keeps what only someone else touched', () => {
    const base = { plate: 'A', figures: { rated_c: 88, fan_c: 95 }, parts: [{ id: 'x' }] };
    const mine = { ...base, plate: 'B', figures: { rated_c: 83, fan_c: 95 } };
    const theirs = { ...base, plate: 'C', figures: { rated_c: 88, fan_c: 97 }, parts: [{ id: 'x' }, { id: 'y' }] };
    expect(carried(base, mine, theirs)).toEqual({
      plate: 'B',
      figures: { rated_c: 83, fan_c: 97 },
      parts: [{ id: 'x' }, { id: 'y' }],
    });
    expect(carried(base, base, theirs)).toEqual(theirs);
    expect(carried(base, mine, base)).toEqual(mine);
  });
});
