'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import type { Odds } from '@/core/evidence';
import type { Vehicle } from '@/core/base';
import type { DrivePlan, PlanPrediction, PlanProposal } from '@/core/planning';
import { useJob } from './JobProvider';
import { predictInWorker, proposeInWorker } from '@/workers/planClient';

/** Where a calculation in a worker stands. */
export type WorkState<T> =
  | { readonly status: 'running'; readonly share: number; readonly last: T | null }
  | { readonly status: 'done'; readonly last: T }
  | { readonly status: 'failed'; readonly message: string; readonly last: T | null };

/** How long typing must pause before a prediction starts, ms. */
const PAUSE_MS = 350;

/** Predicts a plan again whenever it, the vehicle or the odds change; null while there is no valid plan. */
export function usePlanPrediction(
  vehicle: Vehicle,
  plan: DrivePlan | null,
  causes: readonly Odds[],
): WorkState<PlanPrediction> {
  const [state, setState] = useState<WorkState<PlanPrediction>>({ status: 'running', share: 0, last: null });
  const { monitors } = useJob().figures;
  const key = JSON.stringify([plan, vehicle, monitors, causes.map((c) => [c.cause, Math.round(50 * c.probability)])]);
  const begin = useEffectEvent(
    () =>
      plan &&
      predictInWorker(vehicle, plan, causes, monitors, (share) =>
        setState((s) => ({ status: 'running', share, last: s.last })),
      ),
  );
  // The key stands for plan, vehicle and odds: the same ones in new objects do not predict again.
  useEffect(() => {
    let cancel = () => undefined as void;
    const timer = setTimeout(() => {
      const running = begin();
      if (!running) return;
      cancel = running.cancel;
      setState((s) => ({ status: 'running', share: 0, last: s.last }));
      void running.result.then((result) => {
        if (result.ok) setState({ status: 'done', last: result.value });
        else if (result.error.kind === 'bug') {
          const { message } = result.error;
          setState((s) => ({ status: 'failed', message, last: s.last }));
        }
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      cancel();
    };
  }, [key]);
  return state;
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
