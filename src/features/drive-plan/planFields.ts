import { array, mixed, number, object, ValidationError } from 'yup';
import { temperatureText } from '@/core/base';
import { boilingOf, BOILING_WORDS, type CoolantState } from '@/core/limits';
import { PHASE_KINDS } from '@/core/planning';
import type { PlanRecord } from '@/storage/records';

/** What a plan may hold, SI. */
const planSchema = object({
  phases: array(
    object({
      kind: mixed<PlanRecord['phases'][number]['kind']>().oneOf(PHASE_KINDS).required(),
      duration_s: number()
        .typeError('Minutes: type a number.')
        .required('Minutes: type a number.')
        .min(30, 'A phase lasts half a minute at least.')
        .max(7200, 'A phase lasts two hours at most.'),
    }),
  )
    .min(1, 'Add at least one phase.')
    .max(12, 'Twelve phases at most.')
    .required(),
  ambient_c: number()
    .required()
    .min(-45, 'Outside air: too cold to be true.')
    .max(55, 'Outside air: too hot to be true.'),
  heater_pct: number().required().min(0).max(100, 'Heater: 0 to 100 %.'),
  startExcess_k: number().required().min(0).max(100),
  limit_c: number().required().min(60, 'Stop limit: too low to drive.'),
  altitude_m: number().nullable().optional(),
});

/** What is wrong with a plan; null when nothing is. No limit may lie nearer to boiling than its margin. */
export function planError(plan: PlanRecord, state: CoolantState): string | null {
  try {
    planSchema.validateSync(plan);
    const { boils_c, highestLimit_c, cap } = boilingOf(state);
    if (plan.limit_c <= highestLimit_c) return null;
    return `Stop limit: at most ${temperatureText(highestLimit_c)}. It boils at ${temperatureText(boils_c)}: ${BOILING_WORDS[cap]}.`;
  } catch (error) {
    if (error instanceof ValidationError) return error.errors[0] ?? 'The plan is not complete.';
    throw error;
  }
}
