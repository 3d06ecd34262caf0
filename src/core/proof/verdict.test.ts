import { describe, expect, it } from 'vitest';
import { perCause, type Cause } from '@/core/base';
import type { Case } from '@/core/case';
import { sortedOdds } from '@/core/evidence';
import type { AcceptanceRow } from './acceptance/row';
import { pickPair } from './pair';
import { proposeVerdict, soundShare, type VerdictInput } from './verdict';

const caseWith = (cause: Cause, share: number, unproven = false): Case =>
  ({
    now: sortedOdds(perCause((c) => (c === cause ? share : (1 - share) / 17))),
    unproven,
  }) as unknown as Case;
const row = (
  item: AcceptanceRow['item'],
  state: AcceptanceRow['state'],
  more: Partial<AcceptanceRow> = {},
): AcceptanceRow => ({
  ...{ item, state, says: `${item} ${state}`, at: 1, due: null, byHand: true, measured: item === 'hold', ...more },
});
const MET = [row('leaks-hot', 'met'), row('hold', 'met'), row('washed', 'left-out'), row('pressure', 'not-needed')];
const propose = (change: Partial<VerdictInput> = {}) =>
  proposeVerdict({ case: caseWith('healthy', 0.95), rows: MET, driven: true, notProven: [], ...change });

describe('the verdict that the figures allow', () => {
  it('proven with a drive, numbers, agreeing odds and nothing open', () => {
    expect(propose()).toMatchObject({ verdict: 'proven', lacks: [] });
    expect(propose().shows.join()).toContain('hold met');
  });

  it.each([
    ['no drive', { driven: false }, /no drive after the work/],
    ['a promise instead of a number', { rows: [row('leaks-hot', 'met')] }, /no figure of the drive/],
    ['odds that do not agree', { case: caseWith('healthy', 0.7) }, /odds of a sound car are/],
    ['another drive than the complaint’s', { notProven: ['it did not have a cold start'] }, /cold start/],
    ['an item open', { rows: [...MET, row('fan-cycled', 'open')] }, /fan cut in and out again/],
    ['an item failed', { rows: [...MET, row('leaks-cold', 'failed')] }, /leaks-cold failed/],
  ] as const)('not proven with %s', (_, change, lacks) => {
    const found = propose(change);
    expect(found.verdict).toBe('not-proven');
    expect(found.lacks.join('\n')).toMatch(lacks);
  });

  it('names the day of the earliest item that waits', () => {
    const rows = [...MET, row('leaks-later', 'waits', { due: 900 }), row('level-again', 'waits', { due: 500 })];
    expect(propose({ rows })).toMatchObject({ verdict: 'not-proven', due: 500 });
  });

  it('not cured by a drive on which a fault is likelier than not, or by a code that came back', () => {
    expect(propose({ case: caseWith('sender-reads-low', 0.7) }).verdict).toBe('not-cured');
    // Before any drive the odds are an expectation, not a finding.
    expect(propose({ case: caseWith('sender-reads-low', 0.7, true) }).verdict).toBe('not-proven');
    expect(propose({ case: caseWith('sender-reads-low', 0.7), driven: false }).verdict).toBe('not-proven');
    expect(propose({ rows: [...MET, row('monitor', 'failed', { returned: true })] }).verdict).toBe('not-cured');
  });

  it('a cold day counts as sound', () => {
    expect(soundShare(caseWith('insufficient-heat', 0.9))).toBeGreaterThan(0.9);
  });

  it('a long list of open items is cut, and counted', () => {
    const items = ['washed', 'first-heat', 'leaks-cold', 'leaks-hot', 'pressure', 'monitor'] as const;
    const found = propose({ rows: items.map((i) => row(i, 'open')) });
    expect(found.lacks.at(-1)).toMatch(/and 3 more$/);
  });
});

describe('the pair of drives', () => {
  const drive = (traceId: string, at: number, counts = true) => ({ entryId: traceId, traceId, at, counts, why: '' });

  it('is the last that counts before the first work, and the last after the last', () => {
    const drives = [drive('a', 1), drive('b', 2), drive('c', 5), drive('d', 9), drive('e', 10, false)];
    expect(pickPair(drives, [3, 7])).toEqual({ before: { traceId: 'b', at: 2 }, after: { traceId: 'd', at: 9 } });
    expect(pickPair(drives, [3, 20]).after).toBeNull();
    expect(pickPair(drives.slice(3), [3]).before).toBeNull();
  });

  it('without work there is no before', () => {
    expect(pickPair([drive('a', 1), drive('b', 2)], [])).toEqual({ before: null, after: { traceId: 'b', at: 2 } });
  });
});
