import { number, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { mixFor } from '../../core/repair';
import type { ComputeError } from './computation';
import { error, rounded, validated } from './inputs';

const share = (name: string) => number().strict().min(0).max(100).required(`${name} is missing`);
const inputSchema = object({
  capacity_l: number().strict().moreThan(0).max(1000).required('capacity_l is missing'),
  residual_l: number().strict().min(0).required('residual_l is missing'),
  residual_pct: share('residual_pct'),
  target_pct: share('target_pct'),
  add_pct: share('add_pct').moreThan(0),
}).noUnknown('unknown field: ${unknown}');

/** `compute mix`: what to add to what stayed inside for a strength, or how much more must come out first. */
export async function computeMix(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const task = checked.value;
  if (task.residual_l > task.capacity_l) {
    return error('wrong-input', 'residual_l is more than capacity_l: it holds no more than that.', 'residual_l');
  }
  const answer = mixFor(task);
  if (answer.reachable) {
    return ok({ reachable: true, add_l: rounded(answer.add_l), water_l: rounded(answer.water_l) });
  }
  const { why, drain_more_l } = answer;
  return ok({ reachable: false, drain_more_l: drain_more_l === null ? null : rounded(drain_more_l), why });
}
