import type { Vehicle } from '../../src/core/base';

/** A vehicle of the demo garage: half a mix, an ordinary cap. */
export const vehicle = (
  label: string,
  engine: Vehicle['engine'],
  thermostat: Partial<Vehicle['thermostat']> & { rated_c: number },
  volume_l: number,
  fan: Vehicle['fan'],
): Vehicle => ({
  label,
  engine,
  thermostat: {
    full_open_c: thermostat.rated_c + 13,
    location: 'outlet',
    heated: false,
    heated_rated_c: null,
    ...thermostat,
  },
  coolant: { volume_l, glycol_pct: 50, cap_kpa: 110 },
  fan,
});

/** A vehicle with what tells it apart in the yard. */
export interface DemoVehicle {
  readonly plate: string;
  readonly vehicle: Vehicle;
  readonly mileage_km?: number;
  readonly variant?: string;
  readonly parts?: readonly { readonly part: string; readonly when: string; readonly detail: string }[];
}
