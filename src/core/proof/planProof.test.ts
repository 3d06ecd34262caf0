import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPLAINT_NEEDS, planLength_s, repeatsComplaint } from '@/core/planning';
import { madeLook } from '../../../tests/support/madeLook';
import { courseOf, planProofDrive } from './planProof';

const warming = (t: number) => Math.min(88, -4 + t / 8);
const phased = (t: number) => (t < 60 ? 0 : t < 480 ? 30 : t < 1080 ? 80 : 0);
const BEFORE = madeLook(
  {},
  { ect_c: warming, speed_kmh: phased, rpm: (t) => (phased(t) === 0 ? 780 : 2000), heater_pct: () => 55 },
  { outside_c: -4 },
);
const ITEMS = COMPLAINT_NEEDS.map((n) => n.itemId);

describe('the drive that proves it', () => {
  it('drives the course of before again', () => {
    expect(courseOf(BEFORE)).toEqual([
      { kind: 'idle', duration_s: 60 },
      { kind: 'town', duration_s: 420 },
      { kind: 'road', duration_s: 600 },
      { kind: 'idle', duration_s: 420 },
    ]);
  });

  it('in like weather, from as cold a start, with the blower as it was', () => {
    const { plan, like, lacks } = planProofDrive(['complaint-slow-warm-up'], BEFORE);
    expect(like).toBe('before');
    expect(lacks).toEqual([]);
    expect(plan).toMatchObject({ ambient_c: -4, heater_pct: 55, startExcess_k: 0 });
  });

  it('adds what the complaint names and that drive did not have', () => {
    const { plan } = planProofDrive(['complaint-recovers-with-revs', 'complaint-cool-mild-hot-towing'], BEFORE);
    const kinds = plan.phases.map((p) => p.kind);
    expect(kinds).toContain('hold');
    expect(kinds).toContain('towing');
  });

  it('repeats every condition of any complaint, and ends standing for the fan', () => {
    fc.assert(
      fc.property(fc.subarray(ITEMS), fc.boolean(), (items, known) => {
        const { plan, lacks } = planProofDrive(items, known ? BEFORE : null);
        const repeats = repeatsComplaint(plan, items);
        expect(repeats.kind).toBe(items.length === 0 ? 'nothing' : 'all');
        expect(lacks).toEqual([]);
        expect(plan.phases.at(-1)!.kind).toBe('idle');
        expect(planLength_s(plan)).toBeLessThan(2 * 3600);
      }),
    );
  });

  it('on a summer drive it says that the cold morning is missing', () => {
    const summer = madeLook(
      {},
      { ect_c: (t) => Math.min(88, 25 + t / 8), speed_kmh: phased, rpm: () => 2000 },
      { outside_c: 24 },
    );
    expect(planProofDrive(['complaint-slow-warm-up'], summer).lacks.join()).toMatch(/cold start after a night/);
  });

  it('without a drive of before, or speed in it, it is one after the complaint or a usual one', () => {
    expect(planProofDrive([], null).like).toBe('usual');
    expect(planProofDrive(['complaint-weak-heater'], null)).toMatchObject({
      like: 'complaint',
      plan: { heater_pct: 60 },
    });
    expect(planProofDrive([], madeLook({}, { ect_c: warming })).like).toBe('usual');
  });

  it('a drive of hours is not sent out again whole', () => {
    const long = madeLook({}, { ect_c: warming, speed_kmh: () => 80, rpm: () => 2000 }, { seconds: 3 * 3600 });
    expect(planLength_s({ phases: courseOf(long) })).toBeLessThanOrEqual(3600);
  });
});
