import { mixed, object } from 'yup';
import { ok, type Result, type Trace, type Vehicle } from '../../core/base';
import { lookAtDrive, type DriveLook } from '../../core/desk';
import { judgeNow } from '../../core/judge';
import { stopLimit_c, unmeasured } from '../../core/limits';
import { MONITOR_DEFAULTS } from '../../core/monitor';
import type { ComputeError } from './computation';
import { rounded, traceOf, validated, vehicleOf } from './inputs';

const inputSchema = object({
  trace: mixed().required('trace is missing'),
  vehicle: mixed().required('vehicle is missing'),
}).noUnknown('unknown field: ${unknown}');

/** A trace judged and measured as the desk does. */
export function lookOf(trace: Trace, vehicle: Vehicle): DriveLook {
  const { opening } = judgeNow(trace, vehicle);
  const { belowRating_k } = MONITOR_DEFAULTS;
  return lookAtDrive(trace, vehicle, { opening, belowRating_k, limit_c: stopLimit_c(vehicle, unmeasured(vehicle)) });
}

/** `compute features`: every figure of a drive. */
export async function computeFeatures(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const vehicle = vehicleOf(checked.value.vehicle);
  if (!vehicle.ok) return vehicle;
  const trace = await traceOf(checked.value.trace, 'trace');
  if (!trace.ok) return trace;
  const look = lookOf(trace.value, vehicle.value);
  const features = Object.fromEntries(
    look.features.map(({ name, unit, told, why, expected }) => [
      name,
      told
        ? {
            value: rounded(told.value),
            sd: rounded(told.sd),
            unit,
            from_s: rounded(told.from_s),
            to_s: rounded(told.to_s),
            expected_low: expected ? rounded(expected[0]) : null,
            expected_high: expected ? rounded(expected[1]) : null,
            ...(told.band ? { low: rounded(told.band[0]), high: rounded(told.band[1]) } : {}),
          }
        : {
            value: null,
            why,
            unit,
            expected_low: expected ? rounded(expected[0]) : null,
            expected_high: expected ? rounded(expected[1]) : null,
          },
    ]),
  );
  return ok({ features, phases: look.phases });
}
