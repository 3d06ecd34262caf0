import { boolean, mixed, number, object, string, ValidationError, type InferType } from 'yup';
import { fail, ok, SECOND_SENSOR_PLACES, type Result, type Vehicle } from '../../base';
import { importError, type ImportError } from '../importError';
import { PROTOTYPE_KEYS } from '../table/jsonShapes';

const known = (label: string, low: number, high: number) =>
  number()
    .typeError(`${label} must be a number`)
    .required(`${label} is missing`)
    .min(low, `${label} must be ${low} or more`)
    .max(high, `${label} must be ${high} or less`);
const maybe = (label: string, low: number, high: number) =>
  number()
    .typeError(`${label} must be a number or null`)
    .nullable()
    .default(null)
    .min(low, `${label} must be ${low} or more`)
    .max(high, `${label} must be ${high} or less`);
const choice = <T extends string>(label: string, values: readonly T[]) =>
  mixed<T>()
    .oneOf(values, `${label} must be one of ${values.join(', ')}`)
    .required(`${label} is missing`);

/** Schema of a vehicle file, `varmek-vehicle/1`. Ranges admit anything from a moped to a lorry. */
export const vehicleFileSchema = object({
  schema: choice('schema', ['varmek-vehicle/1'] as const),
  label: string().default(''),
  engine: object({
    fuel: choice('engine.fuel', ['petrol', 'diesel'] as const),
    hybrid: boolean().default(false),
    displacement_l: known('engine.displacement_l', 0.05, 20),
    idle_rpm: known('engine.idle_rpm', 200, 3000),
    kerb_mass_kg: known('engine.kerb_mass_kg', 50, 40000),
  }).required('engine is missing'),
  thermostat: object({
    rated_c: known('thermostat.rated_c', 40, 130),
    full_open_c: maybe('thermostat.full_open_c', 40, 150),
    location: choice('thermostat.location', ['outlet', 'inlet'] as const),
    heated: boolean().default(false),
    heated_rated_c: maybe('thermostat.heated_rated_c', 40, 130),
  }).required('thermostat is missing'),
  coolant: object({
    volume_l: known('coolant.volume_l', 0.2, 100),
    glycol_pct: known('coolant.glycol_pct', 0, 100),
    cap_kpa: maybe('coolant.cap_kpa', 0, 300),
  }).required('coolant is missing'),
  fan: object({
    kind: choice('fan.kind', ['electric', 'viscous', 'engine-driven'] as const),
    on_c: maybe('fan.on_c', 40, 150),
    off_c: maybe('fan.off_c', 40, 150),
  }).required('fan is missing'),
  sensors: object({
    second: mixed<(typeof SECOND_SENSOR_PLACES)[number]>()
      .oneOf(SECOND_SENSOR_PLACES, `sensors.second must be one of ${SECOND_SENSOR_PLACES.join(', ')}`)
      .default('unknown'),
  })
    .default(undefined)
    .optional(),
});

type VehicleFile = InferType<typeof vehicleFileSchema>;

function toVehicle(file: VehicleFile): Vehicle {
  return {
    label: file.label,
    engine: file.engine,
    thermostat: file.thermostat,
    coolant: file.coolant,
    fan: file.fan,
    ...(file.sensors ? { sensors: { second: file.sensors.second } } : {}),
  };
}

/** Checks parsed JSON against the vehicle schema; the message names the field. */
export function parseVehicle(value: unknown): Result<Vehicle, ImportError> {
  try {
    return ok(toVehicle(vehicleFileSchema.validateSync(value, { abortEarly: false })));
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fail(importError('wrong-schema', `Vehicle file: ${error.errors.join('; ')}.`));
  }
}

/** Reads a vehicle file. */
export function readVehicleFile(text: string): Result<Vehicle, ImportError> {
  const json = parseJson(text);
  return json.ok ? parseVehicle(json.value) : json;
}

/** Writes a vehicle file. */
export function writeVehicleFile(vehicle: Vehicle): string {
  return JSON.stringify({ schema: 'varmek-vehicle/1', ...vehicle }, null, 2) + '\n';
}

/** Parses JSON, with the parser's own words about where it failed. Prototype keys are dropped. */
export function parseJson(text: string): Result<unknown, ImportError> {
  try {
    return ok(JSON.parse(text, (key, value: unknown) => (PROTOTYPE_KEYS.has(key) ? undefined : value)) as unknown);
  } catch (error) {
    const why = error instanceof SyntaxError ? error.message : String(error);
    return fail(importError('bad-json', `Not valid JSON: ${why}. Check brackets, quotes and commas.`));
  }
}
