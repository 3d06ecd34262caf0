import * as Comlink from 'comlink';
import type { Cause, Trace, Vehicle } from '@/core/base';
import type { Odds } from '@/core/evidence';
import type { DrivePlan, PlanPrediction, PlanProposal, RatingDay } from '@/core/planning';
import { callWorker, keptWorkers, type Running } from './callWorker';
import type { MonitorSettings } from '@/core/monitor';
import type { LevelName, PracticeSheet } from '@/core/practice';
import type { PlannedCode, PlanWorkerApi } from './planProtocol';

const PLAN_WORKERS = keptWorkers<PlanWorkerApi>(() => {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  return { api: Comlink.wrap<PlanWorkerApi>(worker), worker };
});

/** Predicts a drive in a worker. */
export function predictInWorker(
  vehicle: Vehicle,
  plan: DrivePlan,
  causes: readonly Odds[],
  monitors: MonitorSettings,
  onProgress: (share: number) => void,
): Running<PlanPrediction> {
  return callWorker(PLAN_WORKERS, (api, heard) => api.predict(vehicle, plan, causes, monitors, heard(onProgress)));
}

/** Tries other drives in a worker. */
export function proposeInWorker(
  vehicle: Vehicle,
  plan: DrivePlan,
  causes: readonly Odds[],
  onProgress: (share: number) => void,
): Running<PlanProposal[]> {
  return callWorker(PLAN_WORKERS, (api, heard) => api.propose(vehicle, plan, causes, heard(onProgress)));
}

/** Simulates a vehicle of this kind on a planned drive in a worker. */
export function simulateInWorker(vehicle: Vehicle, plan: DrivePlan, cause: Cause, seed: number): Running<Trace> {
  return callWorker(PLAN_WORKERS, (api) => api.simulate(vehicle, plan, cause, seed));
}

/** What the slow warm-up monitor would make of a planned drive, in a worker. */
export const plannedCodesInWorker = (
  vehicle: Vehicle,
  plan: DrivePlan,
  causes: readonly Cause[],
  settings: MonitorSettings,
): Running<readonly PlannedCode[]> =>
  callWorker(PLAN_WORKERS, (api) => api.warmUpCodes(vehicle, plan, causes, settings));

/** What a thermostat of another rating does from hard frost to summer, in a worker. */
export function ratingInWorker(
  vehicle: Vehicle,
  fitted_c: number,
  settings: MonitorSettings,
  onProgress: (share: number) => void,
): Running<readonly RatingDay[]> {
  return callWorker(PLAN_WORKERS, (api, heard) => api.rating(vehicle, fitted_c, settings, heard(onProgress)));
}

/** Draws a practice case in a worker. */
export const drawPracticeInWorker = (level: LevelName, number: number): Running<PracticeSheet> =>
  callWorker(PLAN_WORKERS, (api) => api.drawPractice(level, number));

/** Drives the car of a practice case in a worker. */
export const drivePracticeInWorker = (sheet: PracticeSheet, plan: DrivePlan, nth: number): Running<Trace> =>
  callWorker(PLAN_WORKERS, (api) => api.drivePractice(sheet, plan, nth));
