'use client';

import { useMemo } from 'react';
import { coolantState, outsideGiven_c } from '@/core/case';
import { stopLimit_c } from '@/core/limits';
import type { DrivePlan } from '@/core/planning';
import { openingWindow, type OpeningWindow } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { usePlanPrediction } from '@/job/usePlanPrediction';

/** Outside air where nobody gave it, °C; how long an idle is followed, s; blower low while it is bled, %. */
const USUAL_OUTSIDE_C = 12;
const FOLLOWED_S = 3600;
const BLOWER_PCT = 20;

/** When a sound thermostat opens on this car at idle today, by the model. */
export interface OpeningDue {
  /** Null where it is not due within an hour of idling. */
  readonly window: OpeningWindow | null;
  readonly working: boolean;
  readonly failed: string | null;
  readonly outside_c: number;
  readonly outsideGiven: boolean;
  /** Engine off at this reading, °C. */
  readonly stop_c: number;
}

const SOUND_ONLY = [{ cause: 'healthy', probability: 1 }] as const;

/** Predicts the opening while bleeding at idle. */
export function useOpeningDue(): OpeningDue {
  const { entries, vehicle: record, figures, job } = useJob();
  const { vehicle } = record;
  const given = outsideGiven_c(entries, job.updatedAt);
  const outside_c = given ?? USUAL_OUTSIDE_C;
  const plan = useMemo(
    (): DrivePlan => ({
      phases: [{ kind: 'idle', duration_s: FOLLOWED_S }],
      ambient_c: outside_c,
      heater_pct: BLOWER_PCT,
      startExcess_k: 0,
    }),
    [outside_c],
  );
  const work = usePlanPrediction(vehicle, plan, SOUND_ONLY);
  const due = work.last?.opening_s ?? null;
  return {
    window: due && openingWindow(due),
    working: work.status === 'running',
    failed: work.status === 'failed' ? work.message : null,
    ...{ outside_c, outsideGiven: given !== null },
    stop_c: stopLimit_c(vehicle, coolantState(entries, vehicle, figures.altitude_m)),
  };
}
