import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { unmeasured, type CoolantState } from './boiling';
import { vehicleScale } from './vehicleScale';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const marks = (v: typeof vehicle, outside: number | null = 4) =>
  Object.fromEntries(vehicleScale(v, outside).marks.map((m) => [m.label, Math.round(m.at_c)]));

describe('vehicleScale', () => {
  it('carries this vehicle’s own marks', () => {
    expect(marks(vehicle)).toMatchObject({
      'outside air': 4,
      opens: 88,
      'code threshold': 77,
      'fully open': 101,
      'fan on': 98,
    });
    expect(marks(vehicle)['boils, no cap']).toBe(108);
    expect(marks({ ...vehicle, coolant: { ...vehicle.coolant, cap_kpa: 110 } })['boils if cap holds']).toBe(131);
  });

  it('leaves out what is not known', () => {
    const unknown = {
      ...vehicle,
      thermostat: { ...vehicle.thermostat, full_open_c: null },
      fan: { kind: 'electric' as const, on_c: null, off_c: null },
    };
    expect(Object.keys(marks(unknown, null))).toEqual(['code threshold', 'opens', 'boils, no cap']);
  });

  it('a heated thermostat has two openings and the code watches the lower', () => {
    const heated = {
      ...vehicle,
      thermostat: { ...vehicle.thermostat, rated_c: 103, heated: true, heated_rated_c: 85 },
    };
    expect(marks(heated)).toMatchObject({ 'opens heated': 85, 'opens unheated': 103, 'code threshold': 74 });
  });

  it('zones rise', () => {
    const { zones } = vehicleScale(vehicle, null);
    zones.forEach((z, i) => i > 0 && expect(z.from_c).toBeGreaterThan(zones[i - 1]!.from_c));
  });

  it('boils where cap, mix and height as measured say', () => {
    const car = { ...vehicle, coolant: { ...vehicle.coolant, cap_kpa: 110 } };
    const at = (state: Partial<CoolantState>) => {
      const { marks } = vehicleScale(car, null, { coolant: { ...unmeasured(car), ...state } });
      return marks.find((m) => m.label.startsWith('boils'))!;
    };
    expect(at({ releases_kpa: 60 })).toMatchObject({ label: 'boils, cap measured' });
    expect(at({ releases_kpa: 60 }).at_c).toBeLessThan(at({}).at_c);
    expect(at({ releases_kpa: 60, capWeak: true }).label).toBe('boils, weak cap');
    expect(at({ altitude_m: 2000 }).at_c).toBeLessThan(at({}).at_c);
  });
});
