import { array, mixed, number, object } from 'yup';
import { ok, type Result } from '../../core/base';
import { ledgerOf, OUT_KINDS, type Flow, type OutKind } from '../../core/repair';
import type { ComputeError } from './computation';
import { error, rounded, validated } from './inputs';

const KINDS = [...OUT_KINDS, 'added'] as const;
const litres = () => number().strict().min(0).max(1000);
const event = object({
  kind: mixed<OutKind | 'added'>()
    .oneOf([...KINDS], 'kind must be one of: ${values}')
    .required('kind is missing'),
  l: litres().required('l is missing'),
  sd_l: litres().optional(),
  pct: number().strict().min(0).max(100).optional(),
}).noUnknown('unknown field: ${unknown}');

const inputSchema = object({
  capacity_l: number().strict().moreThan(0).max(1000).optional(),
  start_l: litres().optional(),
  start_pct: number().strict().min(0).max(100).optional(),
  events: array(event.required()).strict().required('events is missing'),
}).noUnknown('unknown field: ${unknown}');

const roundedOrNull = (v: number | null): number | null => (v === null ? null : rounded(v));

/** `compute ledger`: what is inside after what came out and went in, how strong, how much of it new. */
export async function computeLedger(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const { capacity_l = null, start_l = null, start_pct = null, events } = checked.value;
  const flows: Flow[] = [];
  for (const [i, { kind, l, sd_l = 0, pct }] of events.entries()) {
    if (kind === 'added' && pct === undefined) {
      return error('wrong-input', 'pct is missing: how strong is what was added?', `events[${i}].pct`);
    }
    if (kind !== 'added' && pct !== undefined) {
      return error(
        'wrong-input',
        'pct belongs to what is added; what comes out is as strong as what is inside.',
        `events[${i}].pct`,
      );
    }
    flows.push(kind === 'added' ? { kind, l, sd_l, pct: pct! } : { kind, l, sd_l });
  }
  const state = ledgerOf({ capacity_l, start_l, start_pct }, flows);
  if (!state.ok) {
    const { at, message } = state.error;
    return error('impossible', message, at === null ? 'start_l' : `events[${at}].l`);
  }
  const { inside_l, inside_sd_l, pct, pct_low, pct_high, renewed_share, missing_l } = state.value;
  return ok({
    inside_l: rounded(inside_l),
    inside_sd_l: rounded(inside_sd_l),
    pct: roundedOrNull(pct),
    pct_low: roundedOrNull(pct_low),
    pct_high: roundedOrNull(pct_high),
    renewed_share: roundedOrNull(renewed_share),
    missing_l: roundedOrNull(missing_l),
  });
}
