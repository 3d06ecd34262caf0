import { describe, expect, it } from 'vitest';
import { ValidationError } from 'yup';
import { startingVehicle } from '@/core/planning';
import { estimatedAnew, toFormValues, toVehicle, vehicleFormSchema } from './vehicleFields';

const start = startingVehicle({ fuel: 'diesel', displacement_l: 2.2, hybrid: false });

function problems(change: object): string[] {
  try {
    vehicleFormSchema.validateSync({ ...toFormValues('A 1', start), ...change }, { abortEarly: false });
    return [];
  } catch (error) {
    if (error instanceof ValidationError) return error.errors;
    throw error;
  }
}

describe('vehicle form', () => {
  it('gives back the vehicle it was filled with', () => {
    expect(toVehicle(toFormValues('A 1', { ...start, label: 'Van' }))).toEqual({ ...start, label: 'Van' });
  });

  it('names an unlabelled vehicle by its engine', () => {
    expect(toVehicle(toFormValues('A 1', start)).label).toBe('2.2 l diesel');
  });

  it('carry the place of a second sensor there and back, and nothing where nobody knows it', () => {
    const placed = { ...start, label: 'Van', sensors: { second: 'radiator-outlet' } } as const;
    expect(toVehicle(toFormValues('A 1', placed))).toEqual(placed);
    expect('sensors' in toVehicle(toFormValues('A 1', { ...placed, sensors: { second: 'unknown' } }))).toBe(false);
    expect(toFormValues('A 1', start).second).toBe('unknown');
  });

  it('forgets a heated opening when there is no element', () => {
    const values = { ...toFormValues('A 1', start), heated_rated_c: 85 };
    expect(toVehicle(values).thermostat.heated_rated_c).toBeNull();
    expect(toVehicle({ ...values, heated: true }).thermostat.heated_rated_c).toBe(85);
  });

  it.each([
    [{}, []],
    [{ plate: ' ' }, ['Give it a name or plate, as written on the key.']],
    [{ rated_c: NaN }, [expect.stringContaining('Thermostat rating: not understood')]],
    [{ rated_c: 20 }, ['Thermostat rating: at least 40 °C.']],
    [{ displacement_l: 80 }, ['Displacement: at most 20 l.']],
    [{ rated_c: 88, full_open_c: 80 }, ['Fully open: must lie above “Thermostat rating”.']],
    [{ on_c: 95, off_c: 99 }, ['Fan off: must lie below “Fan on”.']],
    [{ cap_kpa: null, on_c: null, off_c: null, full_open_c: null }, []],
  ])('%j', (change, expected) => expect(problems(change)).toEqual(expected));
});

describe('startingVehicle', () => {
  it('scales with the engine and stays within what vehicles have', () => {
    const small = startingVehicle({ fuel: 'petrol', displacement_l: 1, hybrid: false });
    expect(small.coolant.volume_l).toBeLessThan(start.coolant.volume_l);
    expect(small.engine.kerb_mass_kg).toBeLessThan(start.engine.kerb_mass_kg);
    expect(problems(toFormValues('B', small))).toEqual([]);
  });

  it('estimates anew what is still the estimate, and leaves what a person wrote', () => {
    const kind = { fuel: 'petrol', displacement_l: 1.2, hybrid: false } as const;
    const before = toFormValues('A 1', startingVehicle(kind));
    const typed = { ...before, volume_l: 9.9, displacement_l: 3, fuel: 'diesel' } as const;
    const after = estimatedAnew(typed, kind);
    const estimate = toFormValues('A 1', startingVehicle({ fuel: 'diesel', displacement_l: 3, hybrid: false }));
    expect(after.volume_l).toBe(9.9);
    expect(after.kerb_mass_kg).toBe(estimate.kerb_mass_kg);
    expect(after.kerb_mass_kg).not.toBe(before.kerb_mass_kg);
  });
});
