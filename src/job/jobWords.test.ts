import { describe, expect, it } from 'vitest';
import { caseOf, type Entry } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { oddsShares } from './causeLook';
import { summaryBasis, summaryOf } from './caseOfJob';
import { entryText } from './entryWords';
import { becameText, factorText, movedText, percent } from './jobWords';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const found = (entries: readonly Entry[]) => caseOf({ vehicle, senderPoints: [], entries, drives: new Map() });
const show = (_: string, si: number) => `${si}`;

describe('words of a job', () => {
  it('say how a line moved the odds', () => {
    const { lines, headline } = found([
      { kind: 'statement', id: 'a', at: 1, item: 'complaint-needle-jumps', answer: 'yes' },
      { kind: 'code', id: 'b', at: 2, code: 'P0119', freezeFrame: '', clearedAt: null },
    ]);
    expect(headline).toMatchObject({ text: 'Sender drops out', family: 'sender' });
    expect(movedText(lines[0]!)).toMatch(/^Sender drops out [\d.]+ times more likely$/);
    const { moved } = lines[0]!;
    expect(becameText(lines[0]!)).toBe(`Sender drops out from ${percent(moved.from)} to ${percent(moved.to)}`);
    expect(becameText({ moved: { ...moved, to: moved.from } })).toBe(
      `Sender drops out stays at ${percent(moved.from)}`,
    );
    expect(percent(headline.share!)).toMatch(/^\d+ %$/);
  });

  it.each([
    [1, 'no change'],
    [3.24, '3.2 times more likely'],
    [0.25, '4.0 times less likely'],
    [42.4, '42 times more likely'],
    [1e6, 'over 100 times more likely'],
  ])('a factor of %d is "%s"', (factor, text) => expect(factorText(factor)).toBe(text));

  it('give every cause a colour and a shape', () => {
    const shares = oddsShares(found([]).now);
    expect(shares.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
    for (const s of shares) expect(s.colour).toMatch(/^var\(--family-/);
  });

  it.each<[string, Entry]>([
    [
      'Level below the cold mark before anything was touched: low',
      { kind: 'check', id: 'a', at: 1, item: 'look-level-low', answer: 'low', minute: null },
    ],
    [
      'Top hose warm, minute 1.5',
      { kind: 'check', id: 'a', at: 1, item: 'mark-top-hose-warm', answer: 'seen', minute: 1.5 },
    ],
    ['P0128 (cleared)', { kind: 'code', id: 'a', at: 1, code: 'P0128', freezeFrame: '', clearedAt: 4 }],
    [
      'Coolant: freezes at -30, brown',
      {
        kind: 'measurement',
        id: 'a',
        at: 1,
        name: 'coolant',
        values: { freezes_c: -30 },
        tolerance: {},
        place: '',
        text: 'brown',
      },
    ],
    [
      'Replaced the thermostat: 88 °C, new part bench-tested',
      { kind: 'work', id: 'a', at: 1, work: 'replaced-thermostat', detail: '88 °C', benchPassed: true },
    ],
    ['monday.csv (left out)', { kind: 'drive', id: 'a', at: 1, traceId: 't', leftOut: 'by hand' }],
    [
      'Not understood: of another time. Kept as it came; moves nothing.',
      { kind: 'unknown', id: 'a', at: 1, why: 'of another time', original: {} },
    ],
  ])('%s', (text, entry) => expect(entryText(entry, show, () => 'monday.csv')).toBe(text));

  it('a summary is made from what it says, and no longer counts when that changes', () => {
    const job = { id: 'j', revision: 3 } as Parameters<typeof summaryBasis>[0];
    const car = { updatedAt: 9 } as Parameters<typeof summaryBasis>[1];
    const basis = summaryBasis(job, car, 0);
    expect(summaryBasis({ ...job, revision: 4 }, car, 0)).not.toBe(basis);
    expect(summaryBasis(job, { ...car, updatedAt: 10 }, 0)).not.toBe(basis);
    expect(summaryBasis(job, car, 5)).not.toBe(basis);
    expect(summaryOf(job, basis, found([]))).toMatchObject({ jobId: 'j', basis, text: 'Cannot tell yet', empty: true });
    const drive: Entry = { kind: 'drive', id: 'a', at: 1, traceId: 't', leftOut: '' };
    expect(summaryOf(job, basis, found([drive]))).toMatchObject({
      text: 'Cannot tell yet',
      empty: false,
      expected: false,
    });
    const after = found([{ kind: 'work', id: 'b', at: 2, work: 'replaced-thermostat', detail: '', benchPassed: true }]);
    const named = (family: 'sound' | 'open', unproven: boolean) =>
      summaryOf(job, basis, { ...after, unproven, headline: { ...after.headline, family } }).expected;
    expect([named('sound', true), named('open', true), named('sound', false)]).toEqual([true, false, false]);
  });
});
