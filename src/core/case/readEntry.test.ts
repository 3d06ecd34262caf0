import { describe, expect, it } from 'vitest';
import { readEntry } from './readEntry';

const read = (value: unknown) => readEntry(value, { id: 'given', at: 7 });

describe('entries from outside', () => {
  it.each([
    { kind: 'statement', item: 'complaint-overheats', answer: 'yes' },
    { kind: 'check', item: 'look-belt', answer: 'sound', minute: null },
    { kind: 'check', item: 'mark-fan-on', answer: 'seen', minute: 3 },
    { kind: 'code', code: 'P0128', freezeFrame: '', clearedAt: null },
    { kind: 'measurement', name: 'soak', values: { ect_c: 4 }, tolerance: { ect_c: 1 }, place: '', text: '' },
    { kind: 'drive', traceId: 't', leftOut: '' },
    { kind: 'bench', item: 'bench-thermostat', answer: 'light', part: 'old', text: '' },
    { kind: 'work', work: 'replaced-sender', detail: '', benchPassed: false },
    { kind: 'decision', action: 'leave-it', reason: 'cold day' },
    { kind: 'note', stage: 'drive', text: 'rain' },
    {
      ...{ kind: 'proof', item: 'leaks-hot', answer: 'dry', text: 'after ten minutes' },
      ...{ traceId: '', beforeId: '', by: '' },
    },
    { kind: 'photo', photoId: 'p' },
  ])('$kind is understood', (fields) => {
    expect(read({ ...fields, id: 'a', at: 5 })).toEqual({ ...fields, id: 'a', at: 5 });
  });

  it('fills in what may be left out', () => {
    expect(read({ kind: 'code', code: 'P0128' })).toEqual({
      ...{ kind: 'code', code: 'P0128', id: 'given', at: 7 },
      freezeFrame: '',
      clearedAt: null,
    });
    expect(read({ kind: 'drive', traceId: 't' })).toMatchObject({ leftOut: '' });
    expect(read({ kind: 'measurement', name: 'cap' })).toMatchObject({ values: {}, tolerance: {} });
  });

  it.each<[string, unknown, RegExp]>([
    ['of a newer kind', { kind: 'seance' }, /kind “seance” are not known/],
    ['of no kind', {}, /kind “undefined”/],
    ['that is no object', 'hello', /not known/],
    [
      'with an item of another shop',
      { kind: 'check', item: 'top-hose-cold', answer: 'warm' },
      /not in this version’s catalogue/,
    ],
    ['with an answer by number', { kind: 'check', item: 'look-belt', answer: '0' }, /not in this version’s catalogue/],
    ['of an unknown measurement', { kind: 'measurement', name: 'mood', values: {} }, /“mood” is not known/],
    [
      'with a value that cannot be',
      { kind: 'measurement', name: 'soak', values: { ect_c: 900 } },
      /too high to be true/,
    ],
    ['with an unknown value', { kind: 'measurement', name: 'soak', values: { moon: 3 } }, /no value moon/],
    ['with words for numbers', { kind: 'measurement', name: 'soak', values: { ect_c: 'warm' } }, /numbers only/],
    [
      'with a tolerance of nothing',
      { kind: 'measurement', name: 'soak', values: {}, tolerance: { ect_c: 0 } },
      /above 0/,
    ],
    ['of unknown work', { kind: 'work', work: 'prayed' }, /must be one of/],
    ['without its trace', { kind: 'drive' }, /required/],
    ['of a time in words', { kind: 'proof', at: 'Monday' }, /time must be a number/],
  ])('an entry %s is kept whole, with the reason', (_, value, why) => {
    const entry = read(value);
    expect(entry.kind).toBe('unknown');
    expect(entry.kind === 'unknown' && entry.why).toMatch(why);
    expect(entry.kind === 'unknown' && entry.original).toEqual(typeof value === 'object' ? value : { value });
    expect(entry).toMatchObject({ id: 'given', at: 7 });
  });

  it('an entry that was taken back stays so, understood or not', () => {
    expect(read({ kind: 'seance', takenBack: true })).toMatchObject({ takenBack: true });
    expect(read({ kind: 'proof', takenBack: true })).toMatchObject({ kind: 'proof', takenBack: true });
  });

  it('a field that no entry of its kind has makes it strange where only known ones are taken, and is dropped else', () => {
    const said = { kind: 'statement', item: 'complaint-slow-warm-up', answer: 'yes', mood: 'cross' };
    expect(readEntry(said, { id: 'a', at: 1 }, 'known-only')).toMatchObject({
      ...{ kind: 'unknown', why: 'it has an unknown field: mood' },
    });
    expect(readEntry(said, { id: 'a', at: 1 })).not.toHaveProperty('mood');
    const { mood: _mood, ...plain } = { ...said, id: 'b', at: 2, takenBack: true };
    expect(readEntry(plain, { id: 'a', at: 1 }, 'known-only')).toMatchObject({ kind: 'statement', takenBack: true });
  });
});
