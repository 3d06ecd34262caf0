import { describe, expect, it } from 'vitest';
import { complaintConflicts } from '../evidence';
import { openingGate, type OpeningSigns } from '../limits';
import { startingVehicle } from '../planning';
import { capCheck, mendFirst, mixSays, railsSay, soakSays } from './coldChecks';
import type { Entry } from './entry';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

describe('soak comparison', () => {
  it('waits for two thermometers', () => {
    expect(soakSays({})).toBeNull();
    expect(soakSays({ ect_c: 5 })).toBeNull();
  });

  it('without the hours it stood it proves nothing', () => {
    expect(soakSays({ ect_c: -9, outside_c: 4 })).toMatch(/how long it stood/);
    expect(soakSays({ ect_c: 20, outside_c: 3, stood_h: 3 })).toMatch(/too short/);
  });

  it('names a coolant reading below the rest', () => {
    expect(soakSays({ stood_h: 12, ect_c: -9, iat_c: 4, outside_c: 3, probe_c: 4 })).toMatch(/suspect the sender/);
  });

  it('agreement does not clear a corroded plug', () => {
    expect(soakSays({ stood_h: 10, ect_c: 4, outside_c: 3 })).toMatch(/agrees cold and still reads low when hot/);
  });

  it('quarrelling thermometers prove nothing', () => {
    expect(soakSays({ stood_h: 9, ect_c: 3, outside_c: 3, iat_c: 18 })).toMatch(/disagree among themselves/);
  });
});

describe('other cold checks', () => {
  it('rails', () => {
    expect(railsSay({ unplugged_c: -40, bridged_c: 140 })).toMatch(/wiring and control unit follow/);
    expect(railsSay({ unplugged_c: 12, bridged_c: 140 })).toMatch(/does not reach both/);
    expect(railsSay({ unplugged_c: -40 })).toBeNull();
  });

  it('a weak cap boils sooner', () => {
    const cap = capCheck(vehicle, { stamped_kpa: 110, releases_kpa: 70 }, 0);
    expect(cap.weak).toBe(true);
    expect(cap.boilsMeasured_c!).toBeLessThan(cap.boilsRated_c! - 4);
    expect(capCheck(vehicle, { stamped_kpa: 110, releases_kpa: 108 }, 0).weak).toBe(false);
    const unrated = { ...vehicle, coolant: { ...vehicle.coolant, cap_kpa: null } };
    expect(capCheck(unrated, { releases_kpa: 70 }, 0)).toMatchObject({ weak: false, boilsRated_c: null });
  });

  it('a freeze point belongs to a usual and to a too strong mix', () => {
    expect(mixSays(-37).glycol_pct).toBeCloseTo(50, 0);
    expect(mixSays(-37).says).toMatch(/belongs to 8\d %: above about 68 % protection gets worse/);
    expect(mixSays(-10).says).toMatch(/Too weak/);
    expect(mixSays(-48).says).toMatch(/past about 68 % it protects less/);
  });

  it('says what to mend before driving, since the last work', () => {
    const low: Entry = { kind: 'check', id: 'a', at: 1, item: 'look-level-low', answer: 'low', minute: null };
    const cap: Entry = {
      ...{ kind: 'measurement', id: 'b', at: 2, name: 'cap', place: '', text: '', tolerance: {} },
      values: { stamped_kpa: 110, releases_kpa: 60 },
    };
    expect(mendFirst([low], vehicle)[0]).toMatch(/level is low/);
    expect(mendFirst([{ ...low, answer: 'at-the-mark' }], vehicle)).toEqual([]);
    expect(mendFirst([low, { ...low, id: 'c', at: 3, answer: 'at-the-mark' }], vehicle)).toEqual([]);
    expect(mendFirst([cap], vehicle)[0]).toMatch(/cap does not hold/);
    const bled: Entry = { kind: 'work', id: 'd', at: 4, work: 'topped-up-and-bled', detail: '', benchPassed: false };
    expect(mendFirst([low, cap, bled], vehicle)).toEqual([]);
    expect(mendFirst([{ ...low, takenBack: true }], vehicle)).toEqual([]);
  });

  it('questions a complaint that is too cold and too hot at once', () => {
    expect(complaintConflicts(['complaint-slow-warm-up', 'complaint-overheats'])[0]).toMatch(/two faults/);
    expect(complaintConflicts(['complaint-slow-warm-up'])).toEqual([]);
  });
});

describe('cool enough to open', () => {
  const signs: OpeningSigns = {
    ...{ coldToTouch: true, softHose: true, since_min: 120, reading_c: 28, probe_c: null },
    senderSuspect: false,
  };
  const gate = (change: Partial<OpeningSigns>) => openingGate({ ...signs, ...change });

  it('cold to the touch, soft and rested together', () => {
    expect(gate({}).open).toBe(true);
    expect(gate({ softHose: false })).toMatchObject({ open: false, says: expect.stringMatching(/firm/) as string });
    expect(gate({ coldToTouch: false }).open).toBe(false);
    expect(gate({ since_min: 5 }).open).toBe(false);
    expect(gate({ reading_c: 45 }).open).toBe(false);
  });

  it('says nothing of a firm hose before it was felt', () => {
    expect(gate({ softHose: null, coldToTouch: null }).says).toMatch(/Answer all three/);
  });

  it('a suspected sender needs a second thermometer or a night', () => {
    expect(gate({ senderSuspect: true }).says).toMatch(/second thermometer/);
    expect(gate({ senderSuspect: true, probe_c: 27 }).open).toBe(true);
    expect(gate({ senderSuspect: true, probe_c: 60 }).open).toBe(false);
    expect(gate({ senderSuspect: true, since_min: 600 }).open).toBe(true);
  });

  it('without any reading there is a night', () => {
    expect(gate({ reading_c: null }).open).toBe(false);
    expect(gate({ reading_c: null, since_min: 480 }).open).toBe(true);
  });
});
