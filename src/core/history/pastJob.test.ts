import { describe, expect, it } from 'vitest';
import { newProof, SHIPPED_FIGURES, type Entry } from '@/core/case';
import { newClosing } from '@/core/closing';
import { newSheet, type RepairSheet } from '@/core/repair';
import { CAR, chronicle, drive, said, work } from '../../../tests/support/madeCases';
import { madePart } from '../../../tests/support/madePart';
import { madeCase } from '../../../tests/support/madeHistory';
import { pastJobOf, type PastJobInput } from '.';

const DRIVES = { before: { 'thermostat-stuck-open': 6, 'thermostat-leaking': 4 }, after: { healthy: 6 } } as const;
const verdict = (answer: 'proven' | 'not-proven' | 'not-cured', at = 9e9): Entry => ({
  ...newProof({ item: 'verdict', answer }),
  ...{ id: `v${answer}`, at },
});
const past = (entries: readonly Entry[], change: Partial<PastJobInput> = {}) =>
  pastJobOf({
    ...{ jobId: 'j', vehicleId: 'v', arrivedAt: 0, vehicle: CAR, entries },
    case: madeCase(entries, DRIVES),
    ...{ repair: null, closing: null, figures: SHIPPED_FIGURES, ...change },
  });
const REPAIRED = chronicle(
  said('complaint-slow-warm-up'),
  drive('before'),
  work('replaced-thermostat'),
  drive('after'),
);

describe('the first finding', () => {
  it('is what the first drive said, not what the work and its proof made of it', () => {
    const { first } = past(REPAIRED);
    expect(first).toMatchObject({ cause: 'thermostat-stuck-open' });
    expect(first!.group).toContain('thermostat-leaking');
    expect(first!.claimed).toBeGreaterThan(0.9);
    expect(first!.at).toBe(REPAIRED[1]!.at);
  });

  it('without a drive before the work it is what was known then; with nothing known there is none', () => {
    const talk = chronicle(said('complaint-overheats'), work('replaced-thermostat'));
    expect(past(talk).first!.at).toBe(talk[0]!.at);
    expect(past(chronicle(work('replaced-thermostat'))).first).toBeNull();
  });
});

describe('the truth', () => {
  const truthOf = (entries: readonly Entry[], change: Partial<PastJobInput> = {}) => {
    const { truth, noTruth } = past(entries, change);
    return truth ?? noTruth;
  };

  it('is known of a proven repair only', () => {
    expect(truthOf(REPAIRED)).toBe('no verdict yet');
    expect(truthOf([...REPAIRED, verdict('not-proven')])).toBe('not proven');
    expect(truthOf([...REPAIRED, verdict('proven')])).toMatchObject({ by: 'cured' });
    expect(truthOf([...REPAIRED, { ...verdict('proven'), takenBack: true }])).toBe('no verdict yet');
  });

  it('is what the one repair cures, never the odds themselves', () => {
    const wrong = chronicle(drive('before'), work('replaced-sender'), drive('after'));
    const truth = truthOf([...wrong, verdict('proven')]);
    // The sender was replaced and it is well: the first finding, a thermostat, was wrong.
    expect(truth).toMatchObject({ by: 'cured', causes: expect.arrayContaining(['sender-reads-low']) as never });
  });

  it('is the fault that a person found, where one is written down', () => {
    const sheet = newSheet(CAR);
    const repair: RepairSheet = { ...sheet, plan: { ...sheet.plan, fault: 'thermostat-leaking' } };
    expect(truthOf([...REPAIRED, verdict('proven')], { repair })).toEqual({
      ...{ causes: ['thermostat-leaking'], by: 'fault-found' },
    });
  });

  it.each([
    ['leak', 'a leak was found'],
    ['preventive', 'nothing was faulty'],
    ['not-known', 'the fault is not known'],
  ] as const)('is none of the causes where a person says %s', (fault, why) => {
    const sheet = newSheet(CAR);
    const repair: RepairSheet = { ...sheet, plan: { ...sheet.plan, fault } };
    expect(truthOf([...REPAIRED, verdict('proven')], { repair })).toBe(why);
  });

  it('is not known of two repairs at once; the coolant beside one takes no credit', () => {
    const both = chronicle(drive('before'), work('replaced-thermostat'), work('replaced-sender'), drive('after'));
    const even = madeCase(both, {
      before: { 'thermostat-opens-early': 5, 'sender-reads-low': 5 },
      after: { healthy: 6 },
    });
    expect(truthOf([...both, verdict('proven')], { case: even })).toBe('not separable');
    const filled = chronicle(drive('before'), work('replaced-thermostat'), work('drained-and-filled'), drive('after'));
    expect(truthOf([...filled, verdict('proven')])).toMatchObject({ by: 'cured' });
  });

  it('of a car on which nothing was done and that was signed as well, is that nothing was wrong', () => {
    const cold = chronicle(drive('after'));
    expect(truthOf([...cold, verdict('proven')])).toEqual({
      ...{ causes: ['healthy', 'insufficient-heat'], by: 'nothing-done' },
    });
  });
});

describe('what else is kept of a job', () => {
  it('tests before the work, with whether the act was another one after them', () => {
    const { tests } = past(REPAIRED);
    expect(tests).toEqual([{ test: 'drive', changed: true }]);
  });

  it('parts that were really fitted, minutes, cost and the latest verdict', () => {
    const sheet = newSheet(CAR);
    const part = madePart({ source: 'maker' });
    const planned = { ...part, id: 'q', name: 'Pump', work: 'replaced-pump' as const };
    const plan = { ...sheet.plan, parts: [part, planned], minutesPlanned: 60, minutesTaken: 75 };
    const found = past([...REPAIRED, verdict('not-proven', 8e9), verdict('proven')], {
      repair: { ...sheet, plan },
      closing: newClosing(),
    });
    expect(found.parts.map((p) => p.name)).toEqual(['Thermostat']);
    expect(found.minutes).toEqual({ planned: 60, taken: 75 });
    expect(found.cost.actual).toBeCloseTo(40 + 40 + (75 / 60) * 90, 6);
    // The later verdict stands.
    expect(found.noTruth).not.toBe('not proven');
    expect(found.works).toEqual([{ work: 'replaced-thermostat', at: REPAIRED[2]!.at }]);
  });
});
