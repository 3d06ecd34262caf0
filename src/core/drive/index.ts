export { driveSeries, GRID_S, smoothed, type DriveSeries, type Smoothed } from './driveSeries';
export { gearingMatch, gearsOf, type Gear, type GearingMatch } from './gearing';
export { watchOpening, type OpeningSeen } from './openingWatch';
export { findBend, type Bend, type OpeningHint } from './features/bend';
export {
  isTold,
  type DriveMark,
  type FeatureDrive,
  type FeatureSpec,
  type NotTold,
  type Told,
} from './features/feature';
export { FEATURES, measureFeatures, type FeatureName } from './features/features';
export {
  DRIVING_PHASES,
  findPhases,
  THERMAL_PHASES,
  within,
  type DrivePhases,
  type DrivingPhase,
  type Span,
  type ThermalPhase,
} from './phases';
export {
  ALIGNED_FROM_C,
  alignedAbscissa,
  ALIGNMENTS,
  compareConditions,
  type ComparedCondition,
  type ComparedDrive,
  type ConditionDifference,
  type DriveAlignment,
} from './compare';
