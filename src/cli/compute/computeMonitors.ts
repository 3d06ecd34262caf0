import { mixed, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { readMonitors } from '../../core/case';
import { monitorsOf } from '../../core/judge';
import { MONITOR_DEFAULTS, MONITOR_NAME, whyNotText } from '../../core/monitor';
import type { ComputeError } from './computation';
import { error, isRecord, rounded, traceOf, validated, vehicleOf } from './inputs';

const inputSchema = object({
  trace: mixed().required('trace is missing'),
  vehicle: mixed().required('vehicle is missing'),
  settings: mixed<Record<string, unknown>>(isRecord).optional(),
}).noUnknown('unknown field: ${unknown}');

/** `compute monitors`: per code whether it ran, why not, and what it would have set. */
export async function computeMonitors(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const settings = readMonitors(checked.value.settings ?? {});
  if (!settings.ok) return error('wrong-input', settings.error, 'settings');
  const vehicle = vehicleOf(checked.value.vehicle);
  if (!vehicle.ok) return vehicle;
  const trace = await traceOf(checked.value.trace, 'trace');
  if (!trace.ok) return trace;
  const codes = monitorsOf(trace.value, vehicle.value, { ...MONITOR_DEFAULTS, ...settings.value });
  return ok({
    monitors: codes.map((c) => ({
      code: c.code,
      about: MONITOR_NAME[c.code],
      ran: c.ran,
      why_not: c.whyNot.map((w) => ({
        condition: w.kind,
        says: whyNotText(w),
        ...{ needed_from: w.from, needed_to: w.to, was: w.was, unit: w.unit, at_s: w.at_s },
      })),
      would_set: c.wouldSet,
      at_s: c.at_s,
      margin_k: c.margin_k === null ? null : rounded(c.margin_k),
      two_drives: c.drivesToLamp > 1,
    })),
  });
}
