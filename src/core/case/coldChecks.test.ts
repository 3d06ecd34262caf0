import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { checkCap, checkMix, checkRails, compareSoak, coolEnough, mendFirst, type SoakReadings } from './coldChecks';
import { complaintConflicts } from '../evidence';

const NONE: SoakReadings = {
  soak_h: null,
  soakEct_c: null,
  soakIat_c: null,
  soakOutside_c: null,
  soakProbe_c: null,
  unplugged_c: null,
  bridged_c: null,
};

describe('soak comparison', () => {
  it('waits for two thermometers', () => {
    expect(compareSoak(NONE)).toBeNull();
    expect(compareSoak({ ...NONE, soakEct_c: 5 })).toBeNull();
  });

  it('names a coolant reading below the rest', () => {
    const result = compareSoak({ ...NONE, soak_h: 12, soakEct_c: -9, soakIat_c: 4, soakOutside_c: 3, soakProbe_c: 4 });
    expect(result!.difference_k).toBeCloseTo(-12.67, 1);
    expect(result!.answers).toEqual([{ itemId: 'soak-agreement', answer: 0 }]);
    expect(result!.says).toMatch(/suspect the sender/);
  });

  it('agreement does not clear a corroded plug', () => {
    const result = compareSoak({ ...NONE, soak_h: 10, soakEct_c: 4, soakOutside_c: 3 });
    expect(result!.answers).toEqual([{ itemId: 'soak-agreement', answer: 1 }]);
    expect(result!.says).toMatch(/agrees cold and still reads low when hot/);
  });

  it('a short soak or quarrelling thermometers prove nothing', () => {
    expect(compareSoak({ ...NONE, soak_h: 3, soakEct_c: 20, soakOutside_c: 3 })!.answers).toEqual([]);
    expect(compareSoak({ ...NONE, soak_h: 9, soakEct_c: 3, soakOutside_c: 3, soakIat_c: 18 })!.answers).toEqual([]);
  });
});

describe('other cold checks', () => {
  it('rails', () => {
    expect(checkRails({ ...NONE, unplugged_c: -40, bridged_c: 140 })!.answers[0]!.answer).toBe(1);
    expect(checkRails({ ...NONE, unplugged_c: 12, bridged_c: 140 })!.answers[0]!.answer).toBe(0);
    expect(checkRails({ ...NONE, unplugged_c: -40 })).toBeNull();
  });

  it('a weak cap boils sooner', () => {
    const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
    const cap = checkCap(vehicle, 110, 70);
    expect(cap.weak).toBe(true);
    expect(cap.boilsMeasured_c!).toBeLessThan(cap.boilsRated_c! - 4);
    expect(checkCap(vehicle, 110, 108).weak).toBe(false);
    expect(checkCap(vehicle, null, 70)).toMatchObject({ weak: false, boilsRated_c: null });
  });

  it('freeze point to share of glycol', () => {
    expect(checkMix(-37).glycol_pct).toBeCloseTo(50, 0);
    expect(checkMix(-10).says).toMatch(/Too weak/);
  });

  it('opens only cold, soft and rested', () => {
    expect(coolEnough(30, 120, true).open).toBe(true);
    expect(coolEnough(30, 120, false).open).toBe(false);
    expect(coolEnough(70, 120, true).open).toBe(false);
    expect(coolEnough(null, 600, true).open).toBe(false);
    expect(coolEnough(30, 5, true).open).toBe(false);
  });

  it('says what to mend before driving', () => {
    expect(mendFirst([{ itemId: 'look-level-low', answer: 0 }])[0]).toMatch(/level is low/);
    expect(mendFirst([{ itemId: 'look-level-low', answer: 1 }])).toEqual([]);
  });

  it('questions a complaint that is too cold and too hot at once', () => {
    expect(complaintConflicts(['complaint-slow-warm-up', 'complaint-overheats'])[0]).toMatch(/two faults/);
    expect(complaintConflicts(['complaint-slow-warm-up'])).toEqual([]);
  });
});
