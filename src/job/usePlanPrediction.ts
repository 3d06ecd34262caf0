'use client';

import { useState } from 'react';
import type { Odds } from '@/core/evidence';
import type { Vehicle } from '@/core/base';
import type { DrivePlan, PlanPrediction, PlanProposal } from '@/core/planning';
import { useJob } from './JobProvider';
import { useWork, type WorkState } from './useWork';
import { predictInWorker, proposeInWorker } from '@/workers/planClient';

/** How long typing must pause before a prediction starts, ms. */
const PAUSE_MS = 350;

/** Predicts a plan again whenever it, the vehicle or the odds change; null while there is no valid plan. */
export function usePlanPrediction(
  vehicle: Vehicle,
  plan: DrivePlan | null,
  causes: readonly Odds[],
): WorkState<PlanPrediction> {
  const { monitors } = useJob().figures;
  const key = JSON.stringify([plan, vehicle, monitors, causes.map((c) => [c.cause, Math.round(50 * c.probability)])]);
  return useWork(key, (told) => plan && predictInWorker(vehicle, plan, causes, monitors, told), PAUSE_MS);
}

/** Other drives, asked for by hand. */
export function useProposals(vehicle: Vehicle, plan: DrivePlan, causes: readonly Odds[]) {
  const [state, setState] = useState<WorkState<PlanProposal[]> | null>(null);
  const ask = () => {
    setState({ status: 'running', share: 0, last: null });
    const running = proposeInWorker(vehicle, plan, causes, (share) =>
      setState((s) => (s?.status === 'running' ? { ...s, share } : s)),
    );
    void running.result.then((result) => {
      if (result.ok) setState({ status: 'done', last: result.value });
      else if (result.error.kind === 'bug') setState({ status: 'failed', message: result.error.message, last: null });
      else setState(null);
    });
  };
  return { state, ask, clear: () => setState(null) };
}
