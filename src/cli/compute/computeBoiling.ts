import { mixed, number, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { ALTITUDE_RANGE_M } from '../../core/case';
import { ambientPressure_kpa, boils_c, freezing_c, GLYCOLS, type Glycol } from '../../core/coolant';
import type { ComputeError } from './computation';
import { error, rounded, validated } from './inputs';

const inputSchema = object({
  glycol: mixed<Glycol>()
    .oneOf([...GLYCOLS], 'glycol must be one of: ${values}')
    .required('glycol is missing'),
  glycol_pct: number().strict().min(0).max(100).required('glycol_pct is missing'),
  cap_kpa: number().strict().min(0).max(400).required('cap_kpa is missing'),
  altitude_m: number().strict().min(ALTITUDE_RANGE_M[0]).max(ALTITUDE_RANGE_M[1]).optional(),
  ambient_kpa: number().strict().min(45).max(120).optional(),
}).noUnknown('unknown field: ${unknown}');

/** `compute boiling`: where a mix boils under its cap, and where its first crystals form. */
export async function computeBoiling(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const { glycol, glycol_pct, cap_kpa, altitude_m } = checked.value;
  if (altitude_m !== undefined && checked.value.ambient_kpa !== undefined) {
    return error('wrong-input', 'altitude_m or ambient_kpa, not both.', 'ambient_kpa');
  }
  const ambient_kpa = checked.value.ambient_kpa ?? ambientPressure_kpa(altitude_m ?? 0);
  return ok({
    boils_c: rounded(boils_c({ glycol, glycol_pct, cap_kpa, ambient_kpa })),
    freezes_c: rounded(freezing_c(glycol_pct, glycol)),
    ambient_kpa: rounded(ambient_kpa),
  });
}
