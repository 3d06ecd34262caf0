export {
  handChecks,
  missingConditions,
  PHASE_KINDS,
  PHASE_NAME,
  PLAN_TEMPLATES,
  planLength_s,
  stopLimit_c,
  type DrivePlan,
  type HandCheck,
} from './drivePlan';
export {
  causesInPlay,
  predictPlan,
  proposePlans,
  type PlanPrediction,
  type PlanProposal,
  type PredictedBand,
} from './predictPlan';
export { startingVehicle, type VehicleKind } from './startingVehicle';
export { simulatedDrive } from './simulatedDrive';
