export { afterSetBack, clockJump, seenAt, takenUp, withoutTime, type ClockJump, type ClockReading } from './clock';
export { nextDue } from './due';
export {
  cautionsOf,
  ENGINE_STATES,
  engineTime_s,
  inWindow,
  PROCEDURE_USES,
  procedureErrors,
  procedureStep,
  standsAt,
  stepsOf,
  timeLeft,
  WAITS,
  type EngineState,
  type Procedure,
  type ProcedureStep,
  type ProcedureUse,
  type Wait,
} from './procedure';
export { ownProcedure, stepAdded, stepChanged, stepMoved, stepRemoved } from './editProcedure';
export { readDraft, readProcedure, readProcedureFile, writeProcedureFile } from './procedureFile';
export {
  asRun,
  elapsedAt,
  NOT_BEGUN,
  paused,
  standingAt,
  started,
  stepBack,
  stepEnded,
  walkOf,
  withReading,
  type Place,
  type Run,
  type RunReading,
  type Standing,
  type Step,
  type Turn,
} from './runner';
export { BLEED_PROCEDURES, cleanerTimer, coolTimer, cureTimer, GENTLE_FLUSH, soakTimer } from './shipped';
