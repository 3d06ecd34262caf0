import { describe, expect, it } from 'vitest';
import { monitorDetail, monitorText, monitorVerdict, whyNotText } from './monitorText';
import { notMet, type CodeResult, type ConditionKind } from './result';

const ran = (wouldSet: boolean, margin_k: number | null): CodeResult => ({
  ...{ code: 'P0128', ran: true, whyNot: [], wouldSet, at_s: 764, margin_k, drivesToLamp: 2 },
});

describe('a monitor in words', () => {
  it.each([
    [ran(true, -17), 'Would set', 'Would set at 12.7 min, 17.0 K short.'],
    [ran(false, 11), 'Passes', 'Passes with 11.0 K to spare.'],
    [ran(true, null), 'Would set', 'Would set at 12.7 min.'],
    [ran(false, null), 'Passes', 'Passes.'],
  ])('%#', (result, verdict, text) => {
    expect(monitorVerdict(result)).toBe(verdict);
    expect(monitorText(result)).toBe(text);
  });

  it('one that did not run says so, with every condition, and never that it passes', () => {
    const whyNot = [
      notMet('intake-air', 0, { from: -9, was: -14, unit: '°C' }),
      notMet('channel', 0, { what: 'air flow' }),
    ];
    const result: CodeResult = { ...ran(false, null), ran: false, whyNot, wouldSet: null, at_s: null };
    expect(monitorText(result)).toBe(
      'Did not run. It needs intake air of -9 °C or more; it was -14 °C. It needs air flow, which was not logged.',
    );
    expect(monitorDetail(result)).not.toMatch(/pass/i);
  });

  it('every condition has words, with and without figures', () => {
    const kinds: ConditionKind[] = [
      'start-reading',
      'start-not-cold-enough',
      'intake-air',
      'idle-share',
      'mean-speed',
      'drive-length',
      'sound-vehicle-warms',
      'channel',
      'soak',
      'circuit-not-logged',
    ];
    for (const kind of kinds) {
      for (const figures of [{}, { from: 1, to: 2, was: 3, what: 'oil' }]) {
        const text = whyNotText(notMet(kind, 60, figures));
        expect(text).toMatch(/^[A-Z].*\.$/);
        expect(text).not.toMatch(/null|NaN|undefined/);
      }
    }
  });
});
