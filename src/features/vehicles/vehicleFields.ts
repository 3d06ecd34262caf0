import { boolean, mixed, number, object, string, type InferType } from 'yup';
import { SECOND_SENSOR_PLACES, type SecondSensorPlace, type UnitFamily, type Vehicle } from '@/core/base';
import { startingVehicle } from '@/core/planning';

/** One quantity of the form: its name, unit and what can be true of a vehicle. */
export interface QuantitySpec {
  readonly label: string;
  readonly family: UnitFamily | null;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
}

const spec = (label: string, family: UnitFamily | null, unit: string, low: number, high: number): QuantitySpec => ({
  ...{ label, family, unit, low, high },
});

/** Every quantity of the vehicle form, in SI. */
export const QUANTITIES = {
  mileage_km: spec('Mileage', 'distance', 'km', 0, 3_000_000),
  displacement_l: spec('Displacement', null, 'l', 0.05, 20),
  idle_rpm: spec('Idle speed', null, 'rpm', 200, 3000),
  kerb_mass_kg: spec('Mass', 'mass', 'kg', 50, 40000),
  rated_c: spec('Thermostat rating', 'temperature', '°C', 40, 130),
  full_open_c: spec('Fully open', 'temperature', '°C', 40, 150),
  heated_rated_c: spec('Opens heated', 'temperature', '°C', 40, 130),
  volume_l: spec('Coolant volume', 'volume', 'l', 0.2, 100),
  glycol_pct: spec('Antifreeze', null, '%', 0, 100),
  cap_kpa: spec('Cap', 'pressure', 'kPa', 0, 300),
  on_c: spec('Fan on', 'temperature', '°C', 40, 150),
  off_c: spec('Fan off', 'temperature', '°C', 40, 150),
} as const satisfies Readonly<Record<string, QuantitySpec>>;

/** Name of a quantity of the form. */
export type QuantityName = keyof typeof QUANTITIES;

const quantity = (name: QuantityName) => {
  const { label, low, high, unit } = QUANTITIES[name];
  return number()
    .typeError(`${label}: not understood. Type a number, with or without ${unit}.`)
    .min(low, `${label}: at least ${low} ${unit}.`)
    .max(high, `${label}: at most ${high} ${unit}.`);
};

/** A temperature that must lie on one side of another one, where both are known. */
const beside = (name: QuantityName, other: QuantityName, side: 'above' | 'below') =>
  quantity(name)
    .nullable()
    .test('order', `${QUANTITIES[name].label}: must lie ${side} “${QUANTITIES[other].label}”.`, (value, { parent }) => {
      const against = (parent as Readonly<Record<string, unknown>>)[other];
      if (value === null || value === undefined || !Number.isFinite(against)) return true;
      return side === 'above' ? value > Number(against) : value < Number(against);
    });

/** Schema of the vehicle form, in SI. */
export const vehicleFormSchema = object({
  plate: string().trim().required('Give it a name or plate, as written on the key.'),
  label: string().trim().default(''),
  variant: string().trim().max(120).default(''),
  mileage_km: quantity('mileage_km').nullable().default(null),
  fuel: mixed<'petrol' | 'diesel'>().oneOf(['petrol', 'diesel']).required(),
  hybrid: boolean().default(false),
  displacement_l: quantity('displacement_l').required('Displacement: needed to scale the heat.'),
  idle_rpm: quantity('idle_rpm').required('Idle speed: needed.'),
  kerb_mass_kg: quantity('kerb_mass_kg').required('Mass: needed.'),
  rated_c: quantity('rated_c').required('Thermostat rating: stamped on the part.'),
  full_open_c: beside('full_open_c', 'rated_c', 'above'),
  location: mixed<'outlet' | 'inlet'>().oneOf(['outlet', 'inlet']).required(),
  heated: boolean().default(false),
  heated_rated_c: beside('heated_rated_c', 'rated_c', 'below'),
  volume_l: quantity('volume_l').required('Coolant volume: needed.'),
  glycol_pct: quantity('glycol_pct').required('Antifreeze: needed; 50 is usual.'),
  cap_kpa: quantity('cap_kpa').nullable(),
  fan: mixed<Vehicle['fan']['kind']>().oneOf(['electric', 'viscous', 'engine-driven']).required(),
  on_c: quantity('on_c').nullable(),
  off_c: beside('off_c', 'on_c', 'below'),
  second: mixed<SecondSensorPlace>().oneOf(SECOND_SENSOR_PLACES).default('unknown'),
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
    second: vehicle.sensors?.second ?? 'unknown',
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
    ...(v.second === 'unknown' ? {} : { sensors: { second: v.second } }),
  };
}

/** What estimates are made from. */
const kindOf = ({ fuel, displacement_l, hybrid }: VehicleFormValues) => ({ fuel, displacement_l, hybrid });

/** Fields that an estimate may fill. */
const ESTIMATED = [
  'idle_rpm',
  'kerb_mass_kg',
  'rated_c',
  'full_open_c',
  'location',
  'heated',
  'heated_rated_c',
  'volume_l',
  'glycol_pct',
  'cap_kpa',
  'fan',
  'on_c',
  'off_c',
] as const satisfies readonly (keyof VehicleFormValues)[];

/**
 * The form after the kind of engine changed: figures that are still the estimate of the kind before become those of the
 * new one; what a person wrote stays.
 *
 * @param before the kind whose estimates stand in the form
 */
export function estimatedAnew(
  values: VehicleFormValues,
  before: Pick<VehicleFormValues, 'fuel' | 'displacement_l' | 'hybrid'>,
): VehicleFormValues {
  const estimateOf = (kind: typeof before) => toFormValues('', startingVehicle(kind));
  const old = estimateOf(before);
  const fresh = estimateOf(kindOf(values));
  const changed = ESTIMATED.filter((name) => values[name] === old[name]).map((name) => [name, fresh[name]]);
  return { ...values, ...(Object.fromEntries(changed) as Partial<VehicleFormValues>) };
}
