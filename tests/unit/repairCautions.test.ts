import { describe, expect, it } from 'vitest';
import { CAUTIONS, type CautionId } from '@/core/cautions';
import { BLEED_PROCEDURES, cautionsOf, standsAt } from '@/core/procedure';
import {
  DRAIN_STEPS,
  EXCEPTIONS,
  FILL_STEPS,
  FLUSH_WAYS,
  PLACE_CAUTIONS,
  safeSteps,
  SEAT_STEPS,
  STRIP_TIPS,
  type TickStep,
} from '@/core/repair';
import { REPAIR_CAUTIONS, type Where } from '../fixtures/repairCautions';

const EVERYTHING = { hybrid: true, raise: true, lift: true, battery: true, air: true, opens: true };
const LISTS: Readonly<Record<'safe' | 'tip' | 'seat' | 'drain' | 'flush' | 'fill', readonly TickStep[]>> = {
  safe: safeSteps(EVERYTHING),
  tip: STRIP_TIPS,
  seat: SEAT_STEPS,
  drain: DRAIN_STEPS,
  flush: Object.values(FLUSH_WAYS),
  fill: FILL_STEPS,
};

/** Cautions of every shipped bleeding step of a kind; each of them must have the one looked for. */
function bleedSteps(kind: Extract<Where, readonly ['bleed', string]>[1]): readonly CautionId[][] {
  return BLEED_PROCEDURES.flatMap((p) =>
    p.steps.flatMap((s, i) => {
      const { capOff, clamped } = standsAt(p, i);
      const is = {
        ...{ raised: s.engine === 'raised', idle: s.engine === 'idle', driven: s.engine === 'driven' },
        ...{ 'cap-off-running': capOff && s.engine !== 'off', cold: s.waits === 'cold', pinched: clamped },
      };
      return is[kind] ? [cautionsOf(p, i)] : [];
    }),
  );
}

function at(where: Where): readonly (readonly CautionId[])[] {
  const [list, key] = where;
  if (list === 'place') return [PLACE_CAUTIONS[key as keyof typeof PLACE_CAUTIONS] ?? []];
  if (list === 'exception') return [EXCEPTIONS[key].cautions];
  if (list === 'bleed') return bleedSteps(key);
  return LISTS[list].filter((s) => s.id === key).map((s) => s.cautions);
}

describe.each(REPAIR_CAUTIONS)('caution %s', (id, wording, places) => {
  it('stands in its wording', () => expect(CAUTIONS[id].startsWith(wording)).toBe(true));
  it.each(places.map((w) => [w.join(' '), w] as const))('stands at %s', (_, where) => {
    const steps = at(where);
    expect(steps.length).toBeGreaterThan(0);
    for (const cautions of steps) expect(cautions).toContain(id);
  });
});

describe('the steps that make a job safe', () => {
  const ids = (needs: Partial<typeof EVERYTHING>) =>
    safeSteps({ hybrid: false, raise: false, lift: false, battery: false, air: false, opens: false, ...needs }).map(
      (s) => s.id,
    );
  it('come only where the job needs them', () => {
    expect(ids({})).toEqual(['fan']);
    expect(ids({ opens: true })).toEqual(['place', 'spill-kit', 'cool', 'fan']);
    expect(ids({ battery: true })).toEqual(['fan', 'codes', 'battery']);
    expect(ids({ raise: true })).toEqual(['fan', 'chocks', 'raise', 'undertray']);
    expect(ids({ hybrid: true })[0]).toBe('hybrid');
    expect(ids({ lift: true, air: true })).toEqual(['fan', 'lift', 'air-line']);
  });
  it('save the codes before the battery goes off, and chock before it is raised', () => {
    const all = ids(EVERYTHING);
    expect(all.indexOf('codes')).toBeLessThan(all.indexOf('battery'));
    expect(all.indexOf('chocks')).toBeLessThan(all.indexOf('raise'));
    expect(all.indexOf('cool')).toBeLessThan(all.indexOf('raise'));
  });
});
