import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeText } from './mergeText';

describe('two changed texts', () => {
  it.each([
    ['', 'cold', '', 'cold'],
    ['', '', 'cold', 'cold'],
    ['cold', 'cold heater', 'cold', 'cold heater'],
    ['cold', 'cold heater', 'very cold', 'very cold heater'],
    ['cold', 'cold, mine', 'cold, theirs', 'cold, theirs , mine'],
    ['', 'mine', 'theirs', 'theirs mine'],
    ['the van is cold', 'the van is slow', 'the van is hot', 'the van is hot / slow'],
    ['a b c', 'a c', 'a b c d', 'a c d'],
    ['a b c', '', 'a b c d', ' d'],
    ['seep at hose', 'seep at upper hose', 'wet seep at hose', 'wet seep at upper hose'],
  ])('of %j: %j and %j make %j', (base, mine, theirs, merged) => {
    expect(mergeText(base, mine, theirs)).toBe(merged);
  });

  it('keep all that was typed on either side, whatever it is', () => {
    const text = fc.stringMatching(/^[a-f ]{0,8}$/);
    const typed = fc.stringMatching(/^[M-R]{1,4}$/);
    fc.assert(
      fc.property(text, fc.nat(8), fc.nat(8), typed, typed, (base, i, j, mine, theirs) => {
        const into = (at: number, words: string) => base.slice(0, at) + words + base.slice(at);
        const merged = mergeText(base, into(i, mine), into(j, theirs));
        expect(merged).toContain(mine);
        expect(merged).toContain(theirs);
        for (const letter of base) expect(merged).toContain(letter);
      }),
    );
  });

  it('do not depend on whose is whose where they touch other words', () => {
    const base = 'one two three four';
    const merged = mergeText(base, 'ONE two three four', 'one two three FOUR');
    expect(merged).toBe('ONE two three FOUR');
    expect(mergeText(base, 'one two three FOUR', 'ONE two three four')).toBe(merged);
  });
});
