import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../evidence';
import { CODES, readCode } from './index';

describe('readCode', () => {
  it.each(['P0128', 'p0128', ' p 0128 ', 'P-0128'])('%s is known', (text) => {
    expect(readCode(text)).toMatchObject({ kind: 'known', meaning: { code: 'P0128' } });
  });

  it('a code of another system is taken as it is', () => {
    expect(readCode('C1234')).toEqual({ kind: 'other', code: 'C1234' });
  });

  it.each([
    ['PO128', 'P0128'],
    ['P012B', null],
    ['0128', 'P0128'],
    ['R0128', 'P0128'],
    ['P012', null],
  ])('%s is questioned', (text, perhaps) => {
    const read = readCode(text);
    if (perhaps)
      expect(read).toMatchObject({ kind: 'malformed', perhaps: expect.arrayContaining([perhaps]) as string[] });
    else expect(read.kind).not.toBe('known');
  });

  it('every code says what it does not prove and points to evidence that exists', () => {
    for (const code of CODES) {
      expect(code.doesNotProve.length).toBeGreaterThan(10);
      if (code.itemId) expect(CATALOGUE.map((i) => i.id)).toContain(code.itemId);
    }
  });
});
