'use client';

import { useMemo } from 'react';
import { coolantState, outsideGiven_c } from '@/core/case';
import { vehicleScale } from '@/core/limits';
import { firstPlan } from '@/job/firstPlan';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { setMeasured } from '@/storage/entries';
import { changePlan } from '@/storage/jobs';
import type { PlanRecord } from '@/storage/records';
import { planError } from './planFields';

/** The plan of the open job, what is wrong with it, its scale, and the way to change it. */
export function usePlan() {
  const { job, entries, vehicle: record, figures } = useJob();
  const { vehicle } = record;
  const keep = useKeep();
  const altitude_m = job.plan?.altitude_m ?? figures.altitude_m;
  const state = useMemo(() => coolantState(entries, vehicle, altitude_m), [entries, vehicle, altitude_m]);
  const outside_c = useMemo(() => outsideGiven_c(entries, job.updatedAt), [entries, job.updatedAt]);
  const plan = useMemo(() => job.plan ?? firstPlan(vehicle, outside_c, state), [job.plan, vehicle, outside_c, state]);
  const { belowRating_k } = figures.monitors;
  const scale = useMemo(
    () => vehicleScale(vehicle, plan.ambient_c, { coolant: state, belowRating_k }),
    [vehicle, plan.ambient_c, state, belowRating_k],
  );
  const put = (change: Partial<PlanRecord>) => {
    keep(() => changePlan(job.id, plan, change));
    const { ambient_c } = change;
    // What is said of the weather for a drive reaches the judge where the log has none of its own.
    if (ambient_c !== undefined) {
      keep(() => setMeasured(job.id, { name: 'outside', place: 'plan' }, { outside_c: ambient_c }));
    }
  };
  return { plan, error: planError(plan, state), scale, put };
}
