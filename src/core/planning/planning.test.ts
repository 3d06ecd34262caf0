import { describe, expect, it } from 'vitest';
import { BASE_RATES, sortedOdds } from '../evidence';
import { boilingOf, stopLimit_c, unmeasured } from '../limits';
import {
  causesInPlay,
  handChecks,
  PLAN_TEMPLATES,
  planLength_s,
  predictPlan,
  proposePlans,
  startingVehicle,
  repeatsComplaint,
  type DrivePlan,
} from './index';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const plan: DrivePlan = { phases: PLAN_TEMPLATES[0]!.phases, ambient_c: 2, heater_pct: 30, startExcess_k: 0 };
const torn = [
  { cause: 'thermostat-stuck-open', probability: 0.5 },
  { cause: 'healthy', probability: 0.3 },
  { cause: 'sender-reads-low', probability: 0.2 },
] as const;

function predict(p: DrivePlan, draws = 5) {
  const steps = predictPlan(vehicle, p, torn, { draws });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    expect(step.value).toBeLessThan(1);
  }
}

describe('predictPlan', () => {
  const prediction = predict(plan);

  it('predicts a band per cause in play, the sound vehicle first', () => {
    expect(prediction.bands.map((b) => b.cause)).toEqual(['healthy', 'thermostat-stuck-open', 'sender-reads-low']);
    const [sound, open] = prediction.bands;
    expect(sound!.mid_c.at(-1)!).toBeGreaterThan(open!.mid_c.at(-1)! + 10);
    for (const b of prediction.bands) b.mid_c.forEach((m, k) => expect(b.low_c[k]!).toBeLessThanOrEqual(m));
  });

  it('says when opening is due and when a code would set', () => {
    expect(prediction.opening_s!.early / 60).toBeGreaterThan(4);
    expect(prediction.opening_s!.late / 60).toBeLessThan(20);
    expect(prediction.bands[0]!.code_s).toBeNull();
    expect(prediction.bands[1]!.code_s).toBeGreaterThan(prediction.opening_s!.early);
  });

  it('a whole warm-up tells causes apart better than three minutes of idling', () => {
    const short = predict({ ...plan, phases: [{ kind: 'idle', duration_s: 180 }] });
    expect(prediction.tellsApart).toBeGreaterThan(short.tellsApart);
    expect(prediction.tellsApart).toBeGreaterThan(0.7);
    expect(short.opening_s).toBeNull();
  });

  it('proposes the drive that tells most apart', () => {
    const steps = proposePlans(vehicle, plan, torn, 4);
    let step = steps.next();
    while (!step.done) step = steps.next();
    const proposals = step.value;
    expect(proposals).toHaveLength(PLAN_TEMPLATES.length);
    const best = Math.max(...proposals.map((p) => p.tellsApart));
    expect(proposals[0]!.tellsApart).toBeGreaterThan(best - 0.1);
  });

  it('is the same each time', () => {
    expect(predict(plan).tellsApart).toBe(prediction.tellsApart);
  });
});

describe('drive plan', () => {
  it('plans for the sound vehicle and the likely causes only', () => {
    const inPlay = causesInPlay(sortedOdds(BASE_RATES));
    expect(inPlay[0]).toBe('healthy');
    expect(inPlay.length).toBeLessThanOrEqual(6);
    expect(inPlay).not.toContain('insufficient-heat');
  });

  it('says which of the complaint’s conditions it leaves out', () => {
    const all = ['complaint-slow-warm-up', 'complaint-climbs-at-standstill'];
    expect(repeatsComplaint(plan, all)).toEqual({ kind: 'all' });
    expect(repeatsComplaint(plan, ['complaint-overheats'])).toEqual({
      kind: 'missing',
      says: ['load: a climb, the motorway or a tow'],
    });
    expect(repeatsComplaint({ ...plan, startExcess_k: 30 }, ['complaint-slow-warm-up']).kind).toBe('missing');
    expect(repeatsComplaint(plan, [])).toEqual({ kind: 'nothing' });
  });

  it('a cold morning is not repeated at 20 °C', () => {
    const warm = repeatsComplaint({ ...plan, ambient_c: 20 }, ['complaint-slow-warm-up']);
    expect(warm).toEqual({ kind: 'missing', says: ['a cold start after a night, at 10 °C or colder'] });
  });

  it('times the checks by hand, in order and within the drive', () => {
    const checks = handChecks(plan, 600);
    expect(checks.find((c) => c.itemId === 'hose-top-2min')!.at_s).toBe(120);
    expect(checks.map((c) => c.at_s)).toEqual([...checks.map((c) => c.at_s)].sort((a, b) => a - b));
    expect(checks.at(-1)!.at_s).toBeLessThanOrEqual(planLength_s(plan));
    expect(handChecks({ ...plan, startExcess_k: 40 }, null).some((c) => c.itemId === 'hose-top-2min')).toBe(false);
  });

  it('asks for hot hoses only where an opening is due', () => {
    expect(handChecks(plan, null).some((c) => c.itemId === 'hose-hot-both')).toBe(false);
    expect(handChecks(plan, 400).find((c) => c.itemId === 'hose-hot-both')!.at_s).toBe(580);
  });

  it('stops short of boiling: by the cap as measured, the mix and the height', () => {
    const state = unmeasured(vehicle);
    const measured = { ...state, releases_kpa: 110 };
    for (const s of [state, measured, { ...measured, capWeak: true }, { ...measured, altitude_m: 2000 }]) {
      expect(stopLimit_c(vehicle, s)).toBeLessThan(boilingOf(s).boils_c);
    }
    expect(boilingOf(measured).cap).toBe('measured');
    expect(boilingOf(state)).toMatchObject({ cap: 'not-measured' });
    // A dead cap boils at atmospheric pressure; at 2000 m sooner still.
    expect(boilingOf({ ...measured, releases_kpa: 60, capWeak: true }).boils_c).toBe(boilingOf(state).boils_c);
    expect(boilingOf({ ...state, altitude_m: 2000 }).boils_c).toBeLessThan(boilingOf(state).boils_c - 5);
    expect(stopLimit_c(vehicle, measured)).toBeGreaterThan(stopLimit_c(vehicle, state));
  });
});

describe('what a complaint needs of a drive', () => {
  const drive = (phases: DrivePlan['phases'], change: Partial<DrivePlan> = {}): DrivePlan => ({
    ...plan,
    phases,
    heater_pct: 0,
    ...change,
  });
  const min = (kind: DrivePlan['phases'][number]['kind'], n: number) => ({ kind, duration_s: 60 * n });

  it.each<[string, DrivePlan, DrivePlan]>([
    ['complaint-slow-warm-up', drive([min('town', 20)], { startExcess_k: 40 }), drive([min('town', 20)])],
    ['complaint-gauge-low-on-road', drive([min('town', 20)]), drive([min('road', 6), min('motorway', 5)])],
    [
      'complaint-climbs-at-standstill',
      drive([min('idle', 6), min('road', 9)]),
      drive([min('road', 9), min('idle', 6)]),
    ],
    ['complaint-recovers-with-revs', drive([min('idle', 20)]), drive([min('idle', 18), min('hold', 1)])],
    ['complaint-overheats', drive([min('town', 20)]), drive([min('town', 10), min('hill', 5)])],
    ['complaint-cool-mild-hot-towing', drive([min('motorway', 20)]), drive([min('road', 10), min('towing', 6)])],
    ['complaint-weak-heater', drive([min('town', 20)]), drive([min('town', 20)], { heater_pct: 60 })],
  ])('%s', (itemId, without, with_) => {
    expect(repeatsComplaint(without, [itemId])).toMatchObject({ kind: 'missing' });
    expect(repeatsComplaint(with_, [itemId])).toEqual({ kind: 'all' });
  });
});
