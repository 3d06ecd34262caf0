import { describe, expect, it } from 'vitest';
import { caseOdds } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { oddsShares } from './causeLook';
import { factorText, headline, movedText } from './jobWords';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

describe('words of a job', () => {
  it('says cannot tell while nothing is likely enough', () => {
    expect(headline(caseOdds(vehicle, [], null))).toMatchObject({ text: 'Cannot tell yet', percent: null });
  });

  it('names a cause with its share once it leads', () => {
    const odds = caseOdds(
      vehicle,
      [
        { itemId: 'complaint-needle-jumps', answer: 0 },
        { itemId: 'code-P0119', answer: 0 },
      ],
      null,
    );
    expect(headline(odds)).toMatchObject({ text: 'Sender drops out', family: 'sender' });
    expect(headline(odds).percent).toMatch(/^\d+ %$/);
    expect(movedText(odds.lines[0]!)).toMatch(/^Sender drops out [\d.]+ times more likely$/);
  });

  it.each([
    [1, 'no change'],
    [3.24, '3.2 times more likely'],
    [0.25, '4.0 times less likely'],
    [42.4, '42 times more likely'],
    [1e6, 'over 100 times more likely'],
  ])('a factor of %d is "%s"', (factor, text) => expect(factorText(factor)).toBe(text));

  it('gives every cause a colour and a shape', () => {
    const shares = oddsShares(caseOdds(vehicle, [], null).causes);
    expect(shares.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
    for (const s of shares) expect(s.colour).toMatch(/^var\(--family-/);
  });
});
