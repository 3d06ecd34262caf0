import { number, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { cyclesUntil, leftAfter_pct } from '../../core/repair';
import type { ComputeError } from './computation';
import { error, rounded, validated } from './inputs';

const inputSchema = object({
  capacity_l: number().strict().moreThan(0).max(1000).required('capacity_l is missing'),
  drained_l: number().strict().moreThan(0).required('drained_l is missing'),
  cycles: number().strict().integer().min(0).max(10_000).optional(),
  until_pct: number().strict().moreThan(0).max(100).optional(),
}).noUnknown('unknown field: ${unknown}');

/** `compute flush`: old coolant left after so many drains, or how many it takes. */
export async function computeFlush(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const { capacity_l, drained_l, cycles, until_pct } = checked.value;
  if (drained_l > capacity_l) {
    return error('wrong-input', 'drained_l is more than capacity_l: no more comes out than is inside.', 'drained_l');
  }
  if (cycles !== undefined && until_pct !== undefined) {
    return error('wrong-input', 'cycles or until_pct, not both.', 'until_pct');
  }
  if (cycles === undefined && until_pct === undefined) {
    return error('wrong-input', 'Say how many cycles, or until_pct.', 'cycles');
  }
  const n = cycles ?? cyclesUntil(capacity_l, drained_l, until_pct!);
  return ok({ left_pct: rounded(leftAfter_pct(capacity_l, drained_l, n)), cycles: n });
}
