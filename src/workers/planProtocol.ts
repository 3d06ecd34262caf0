import type { Odds } from '@/core/evidence';
import type { Cause, Result, Trace, Vehicle } from '@/core/base';
import type { CodeResult, MonitorSettings } from '@/core/monitor';
import type { DrivePlan, PlanPrediction, PlanProposal, RatingDay } from '@/core/planning';
import type { LevelName, PracticeSheet } from '@/core/practice';
import type { WorkerBug } from './protocol';

/** The slow warm-up monitor on a planned drive with one cause at work. */
export interface PlannedCode {
  readonly cause: Cause;
  readonly result: CodeResult;
}

/** What the worker of the drive planner offers. Only plain data crosses. */
export interface PlanWorkerApi {
  predict(
    vehicle: Vehicle,
    plan: DrivePlan,
    causes: readonly Odds[],
    monitors: MonitorSettings,
    onProgress: (share: number) => void,
  ): Promise<Result<PlanPrediction, WorkerBug>>;
  /** What the slow warm-up monitor would make of the planned drive, cause by cause. */
  warmUpCodes(
    vehicle: Vehicle,
    plan: DrivePlan,
    causes: readonly Cause[],
    settings: MonitorSettings,
  ): Promise<Result<readonly PlannedCode[], WorkerBug>>;
  /** What a thermostat of another rating does from hard frost to summer. */
  rating(
    vehicle: Vehicle,
    fitted_c: number,
    settings: MonitorSettings,
    onProgress: (share: number) => void,
  ): Promise<Result<readonly RatingDay[], WorkerBug>>;
  /** A vehicle of this kind on the planned drive, second by second. */
  simulate(vehicle: Vehicle, plan: DrivePlan, cause: Cause, seed: number): Promise<Result<Trace, WorkerBug>>;
  /** A practice case of a level; the same number gives the same case. */
  drawPractice(level: LevelName, number: number): Promise<Result<PracticeSheet, WorkerBug>>;
  /** The car of a practice case on a drive. */
  drivePractice(sheet: PracticeSheet, plan: DrivePlan, nth: number): Promise<Result<Trace, WorkerBug>>;
  propose(
    vehicle: Vehicle,
    plan: DrivePlan,
    causes: readonly Odds[],
    onProgress: (share: number) => void,
  ): Promise<Result<PlanProposal[], WorkerBug>>;
}
