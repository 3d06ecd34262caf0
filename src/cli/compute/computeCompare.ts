import { mixed, object, string } from 'yup';
import { ok, type Result } from '../../core/base';
import { compareLooks } from '../../core/desk';
import type { ComputeError } from './computation';
import { lookOf } from './computeFeatures';
import { rounded, traceOf, validated, vehicleOf } from './inputs';

const inputSchema = object({
  before: string().strict().required('before is missing'),
  after: string().strict().required('after is missing'),
  vehicle: mixed().required('vehicle is missing'),
}).noUnknown('unknown field: ${unknown}');

const figure = (v: number | null): number | null => (v === null ? null : rounded(v));

/** `compute compare`: whether two drives can be compared, and what became of each figure. */
export async function computeCompare(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const vehicle = vehicleOf(checked.value.vehicle);
  if (!vehicle.ok) return vehicle;
  const before = await traceOf(checked.value.before, 'before');
  if (!before.ok) return before;
  const after = await traceOf(checked.value.after, 'after');
  if (!after.ok) return after;
  const found = compareLooks(lookOf(before.value, vehicle.value), lookOf(after.value, vehicle.value));
  return ok({
    comparable: found.comparable,
    differences: found.conditions.map((c) => ({
      ...{ condition: c.condition, before: figure(c.before), after: figure(c.after) },
      ...{ tolerance: rounded(c.tolerance), unit: c.unit, agrees: c.agrees },
    })),
    improved: Object.fromEntries(
      found.changes.map((c) => [
        c.name,
        {
          ...{ before: rounded(c.before), after: rounded(c.after), change: rounded(c.change) },
          ...{ sd: rounded(c.sd), unit: c.unit, became: c.became },
        },
      ]),
    ),
  });
}
