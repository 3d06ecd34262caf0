import { boolean, mixed, number, object, string, type InferType } from 'yup';
import type { Vehicle } from '@/core/base';

const quantity = (label: string, low: number, high: number, unit: string) =>
  number()
    .typeError(`${label}: not understood. Type a number, with or without ${unit}.`)
    .min(low, `${label}: at least ${low} ${unit}.`)
    .max(high, `${label}: at most ${high} ${unit}.`);

/** Schema of the vehicle form, in SI. */
export const vehicleFormSchema = object({
  plate: string().trim().required('Give it a name or plate, as written on the key.'),
  label: string().trim().default(''),
  variant: string().trim().max(120).default(''),
  mileage_km: quantity('Mileage', 0, 3_000_000, 'km').nullable().default(null),
  fuel: mixed<'petrol' | 'diesel'>().oneOf(['petrol', 'diesel']).required(),
  hybrid: boolean().default(false),
  displacement_l: quantity('Displacement', 0.05, 20, 'l').required('Displacement: needed to scale the heat.'),
  idle_rpm: quantity('Idle speed', 200, 3000, 'rpm').required('Idle speed: needed.'),
  kerb_mass_kg: quantity('Mass', 50, 40000, 'kg').required('Mass: needed.'),
  rated_c: quantity('Thermostat rating', 40, 130, '°C').required('Thermostat rating: stamped on the part.'),
  full_open_c: quantity('Fully open', 40, 150, '°C').nullable(),
  location: mixed<'outlet' | 'inlet'>().oneOf(['outlet', 'inlet']).required(),
  heated: boolean().default(false),
  heated_rated_c: quantity('Opens heated', 40, 130, '°C').nullable(),
  volume_l: quantity('Coolant volume', 0.2, 100, 'l').required('Coolant volume: needed.'),
  glycol_pct: quantity('Antifreeze', 0, 100, '%').required('Antifreeze: needed; 50 is usual.'),
  cap_kpa: quantity('Cap', 0, 300, 'kPa').nullable(),
  fan: mixed<Vehicle['fan']['kind']>().oneOf(['electric', 'viscous', 'engine-driven']).required(),
  on_c: quantity('Fan on', 40, 150, '°C').nullable(),
  off_c: quantity('Fan off', 40, 150, '°C').nullable(),
});

/** Values of the vehicle form, in SI. */
export type VehicleFormValues = InferType<typeof vehicleFormSchema>;

/** Form values of a vehicle. */
export function toFormValues(plate: string, vehicle: Vehicle): VehicleFormValues {
  return {
    plate,
    label: vehicle.label,
    variant: '',
    mileage_km: null,
    ...vehicle.engine,
    ...vehicle.thermostat,
    ...vehicle.coolant,
    fan: vehicle.fan.kind,
    on_c: vehicle.fan.on_c,
    off_c: vehicle.fan.off_c,
  };
}

/** Vehicle from form values. */
export function toVehicle(v: VehicleFormValues): Vehicle {
  return {
    label: v.label || `${v.displacement_l} l ${v.fuel}${v.hybrid ? ' hybrid' : ''}`,
    engine: {
      fuel: v.fuel,
      hybrid: v.hybrid,
      displacement_l: v.displacement_l,
      idle_rpm: v.idle_rpm,
      kerb_mass_kg: v.kerb_mass_kg,
    },
    thermostat: {
      rated_c: v.rated_c,
      full_open_c: v.full_open_c ?? null,
      location: v.location,
      heated: v.heated,
      heated_rated_c: v.heated ? (v.heated_rated_c ?? null) : null,
    },
    coolant: { volume_l: v.volume_l, glycol_pct: v.glycol_pct, cap_kpa: v.cap_kpa ?? null },
    fan: { kind: v.fan, on_c: v.on_c ?? null, off_c: v.off_c ?? null },
  };
}
