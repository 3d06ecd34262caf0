import type { Vehicle } from '@/core/base';
import { stopLimit_c, type CoolantState } from '@/core/limits';
import { PLAN_TEMPLATES } from '@/core/planning';
import type { PlanRecord } from '@/storage/records';

/** The plan a job starts with. */
export const firstPlan = (vehicle: Vehicle, outside_c: number | null, state: CoolantState): PlanRecord => ({
  phases: PLAN_TEMPLATES[0]!.phases,
  ambient_c: outside_c ?? 10,
  heater_pct: 0,
  startExcess_k: 0,
  limit_c: stopLimit_c(vehicle, state),
});
