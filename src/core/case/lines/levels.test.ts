import { describe, expect, it } from 'vitest';
import { chronicle } from '../../../../tests/support/madeCases';
import type { Entry } from '../entry';
import { bleedPlace, heatedAt, levelsOf, levelSteps } from './levels';

const level = (mm: number, more: Record<string, number> = {}, place = '') =>
  ({
    kind: 'measurement',
    name: 'level',
    values: { above_mark_mm: mm, at_c: 15, ...more },
    ...{ tolerance: {}, place, text: '' },
  }) as const;

describe('the levels of a job', () => {
  it('stand once each, though chronicle and sheet both hold one', () => {
    const at = 60_000;
    const entries = chronicle(level(-20, {}, bleedPlace(at)), level(-21));
    const onSheet = [{ at, above_mark_mm: -20, at_c: 15, filledTo_mm: 0 }];
    expect(levelsOf(entries, onSheet)).toMatchObject([
      { above_mark_mm: -20, filledTo_mm: 0 },
      { above_mark_mm: -21, filledTo_mm: null },
    ]);
    const takenBack = entries.map((e, i): Entry => (i === 0 ? { ...e, takenBack: true } : e));
    expect(levelsOf(takenBack, onSheet)).toHaveLength(1);
    expect(levelsOf([], onSheet)).toEqual(onSheet);
  });

  it('know what was filled up and whether the engine was warmed through', () => {
    const entries = chronicle(level(-20, { filled_to_mm: 0 }), level(-8, { heat_cycles: 1 }));
    expect(levelSteps(levelsOf(entries))).toMatchObject([{ loss_mm: 8, heated: true, why: null }]);
  });

  it('a drive, or a first heat that was ticked, is a heat cycle; one left out is none', () => {
    const heat = {
      kind: 'proof',
      item: 'first-heat',
      answer: 'yes',
      text: '',
      traceId: '',
      beforeId: '',
      by: '',
    } as const;
    const entries = chronicle(
      { kind: 'drive', traceId: 'a', leftOut: '' },
      { kind: 'drive', traceId: 'b', leftOut: 'towed' },
      heat,
      { ...heat, answer: 'no' },
    );
    expect(heatedAt(entries)).toEqual([60_000, 180_000]);
  });
});
