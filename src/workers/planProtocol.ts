import type { Odds } from '@/core/evidence';
import type { Cause, Result, Trace, Vehicle } from '@/core/base';
import type { DrivePlan, PlanPrediction, PlanProposal } from '@/core/planning';
import type { WorkerBug } from './protocol';

/** What the worker of the drive planner offers. Only plain data crosses. */
export interface PlanWorkerApi {
  predict(
    vehicle: Vehicle,
    plan: DrivePlan,
    causes: readonly Odds[],
    onProgress: (share: number) => void,
  ): Promise<Result<PlanPrediction, WorkerBug>>;
  /** A vehicle of this kind on the planned drive, second by second. */
  simulate(vehicle: Vehicle, plan: DrivePlan, cause: Cause, seed: number): Promise<Result<Trace, WorkerBug>>;
  propose(
    vehicle: Vehicle,
    plan: DrivePlan,
    causes: readonly Odds[],
    onProgress: (share: number) => void,
  ): Promise<Result<PlanProposal[], WorkerBug>>;
}
