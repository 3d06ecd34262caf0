import { array, boolean, mixed, number, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { judgeThermostat, USUAL_THERMOMETER_SD_K, VALVE_STATES, type Figure, type ValveState } from '../../core/bench';
import { ALTITUDE_RANGE_M } from '../../core/case';
import type { ComputeError } from './computation';
import { error, rounded, validated } from './inputs';

const inputSchema = object({
  rated_c: number().strict().min(40).max(130).required('rated_c is missing'),
  full_open_c: number().strict().min(45).max(160).nullable().optional(),
  readings: array(
    object({
      t_s: number().strict().required(),
      water_c: number().strict().required(),
      lift_mm: number().strict().optional(),
      state: mixed<ValveState>()
        .oneOf([...VALVE_STATES], '${path} must be one of: ${values}')
        .optional(),
    }).noUnknown('unknown field: ${unknown}'),
  )
    .strict()
    .required('readings is missing'),
  thermometer_sd_k: number().strict().moreThan(0).max(20).optional(),
  altitude_m: number().strict().min(ALTITUDE_RANGE_M[0]).max(ALTITUDE_RANGE_M[1]).optional(),
  light_when_cold: boolean().strict().nullable().optional(),
}).noUnknown('unknown field: ${unknown}');

const figure = (f: Figure | null) => (f === null ? null : { value: rounded(f.value), sd: rounded(f.sd) });

/** `compute thermostat`: what a heated-water test says of a thermostat. */
export async function computeThermostat(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const { rated_c, full_open_c, readings, thermometer_sd_k, altitude_m, light_when_cold } = checked.value;
  if (typeof full_open_c === 'number' && full_open_c <= rated_c) {
    return error('wrong-input', 'full_open_c lies above rated_c.', 'full_open_c');
  }
  const blind = readings.findIndex((r) => r.lift_mm === undefined && r.state === undefined);
  if (blind >= 0) return error('wrong-input', 'lift_mm or state is needed.', `readings[${blind}]`);
  const found = judgeThermostat({
    rated_c,
    fullOpen_c: full_open_c ?? null,
    readings: readings.map((r) => ({
      t_s: r.t_s,
      water_c: r.water_c,
      lift_mm: r.lift_mm ?? null,
      state: r.state ?? null,
    })),
    thermometerSd_k: thermometer_sd_k ?? USUAL_THERMOMETER_SD_K,
    altitude_m: altitude_m ?? 0,
    lightWhenCold: light_when_cold ?? null,
  });
  if (!found.ok) return error('wrong-input', found.error.message, found.error.path);
  const { opens_c, full_c, closes_c, hysteresis_k, lift_mm, verdict, probability, reason, odds } = found.value;
  return ok({
    opens_c: figure(opens_c),
    full_c: figure(full_c),
    closes_c: figure(closes_c),
    hysteresis_k: figure(hysteresis_k),
    lift_mm: figure(lift_mm),
    verdict,
    probability: rounded(probability),
    reason,
    odds: Object.fromEntries(Object.entries(odds).map(([k, p]) => [k, rounded(p)])),
  });
}
