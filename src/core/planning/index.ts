export {
  COMPLAINT_NEEDS,
  handChecks,
  repeatsComplaint,
  PHASE_KINDS,
  PHASE_NAME,
  phaseSpeed_kmh,
  PLAN_TEMPLATES,
  planLength_s,
  type DrivePlan,
  type HandCheck,
  type Repeats,
} from './drivePlan';
export {
  causesInPlay,
  predictPlan,
  proposePlans,
  type PlanPrediction,
  type PlanProposal,
  type PredictedBand,
} from './predictPlan';
export { driveForMonitor, type MonitorDrive } from './planForMonitor';
export { startingVehicle, type VehicleKind } from './startingVehicle';
export { ratingEffect, type RatingDay } from './ratingEffect';
export { simulatedDrive } from './simulatedDrive';
