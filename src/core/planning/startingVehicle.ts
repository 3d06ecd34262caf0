import type { Vehicle } from '../base';

/** What a person at the counter knows at once. */
export interface VehicleKind {
  readonly fuel: 'petrol' | 'diesel';
  readonly displacement_l: number;
  readonly hybrid: boolean;
}

/**
 * Starting values for a vehicle by kind and size of engine: estimates to be overwritten from the vehicle's own
 * papers, never its specification. Coolant volume and mass follow displacement roughly (l ≈ 3 + 2.2 V).
 */
export function startingVehicle(kind: VehicleKind): Vehicle {
  const { fuel, displacement_l, hybrid } = kind;
  const diesel = fuel === 'diesel';
  const rated_c = diesel ? 83 : 88;
  const round = (x: number, step: number) => Math.round(x / step) * step;
  return {
    label: '',
    engine: {
      fuel,
      hybrid,
      displacement_l,
      idle_rpm: diesel ? 800 : 750,
      kerb_mass_kg: round((diesel ? 800 : 700) + 420 * displacement_l + (hybrid ? 120 : 0), 10),
    },
    thermostat: { rated_c, full_open_c: rated_c + 13, location: 'outlet', heated: false, heated_rated_c: null },
    coolant: { volume_l: Math.round(10 * (3 + 2.2 * displacement_l)) / 10, glycol_pct: 50, cap_kpa: null },
    fan: { kind: diesel && displacement_l > 2.3 ? 'viscous' : 'electric', on_c: rated_c + 10, off_c: rated_c + 5 },
  };
}
