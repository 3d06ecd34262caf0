export { ACTION_KINDS, ACTIONS, actionSpec, type ActionKind } from './actions';
export { caseOf, type Case, type CaseDrive, type CaseInput, type CaseLine, type CaseStep } from './caseOf';
export { capCheck, LEVEL_LOW_MM, mendFirst, mixSays, railsSay, soakSays, WEAK_CAP } from './coldChecks';
export { coolantState } from './coolantState';
export { lineContext, type CaseVehicle, type LineContext } from './context';
export { actionCosts, cures, decide, testWorth, type ActionCost, type Decision, type TestWorth } from './decide';
export {
  inOrder,
  type BenchEntry,
  type CheckEntry,
  type CodeEntry,
  type DecisionEntry,
  type DriveEntry,
  type Entry,
  type EntryKind,
  type KnownEntry,
  type MeasurementEntry,
  type ProofEntry,
  type NoteEntry,
  type StatementEntry,
  type MarkEntry,
  type UnknownEntry,
  type WorkEntry,
} from './entry';
export { MONITOR_RANGES, readMonitors, TABLE_RANGE } from './monitorFigures';
export {
  ALTITUDE_RANGE_M,
  figuresFile,
  figuresOf,
  NO_OWN_FIGURES,
  readFigures,
  SHIPPED_FIGURES,
  type Figures,
  type OwnFigures,
} from './figures';
export {
  bleedPlace,
  COLD_LEVEL_C,
  heatedAt,
  isBleedPlace,
  isColdLevel,
  levelsOf,
  levelSteps,
  type ColdLevel,
} from './lines/levels';
export { isMark, MARKED, MARKS, type MarkId } from './marks';
export { DRIVE_MARK_KINDS, DRIVE_MARKS, driveMarkOf, isDriveMark, type DriveMarkKind } from './driveMarks';
export {
  isMeasurement,
  MEASUREMENTS,
  valueError,
  valuesOf,
  type MeasurementName,
  type ValueSpec,
} from './measurements';
export { newProof } from './newProof';
export { newThermostatPassed } from './newPart';
export { outsideGiven_c } from './outside';
export { AMOUNTS, estimatedPrices, PRICE_TEXT, pricesFor, type Prices } from './prices';
export {
  isProofAnswer,
  LEFT_OUT,
  PROOF_ITEM_NAMES,
  PROOF_ITEMS,
  proofItem,
  type ProofItem,
  type ProofItemSpec,
  type ProofVerdict,
} from './proofItems';
export { readEntry } from './readEntry';
export { repeatedParts } from './repeatedParts';
export { SCHOOLS, type School } from './schools';
export { type Separability } from './separability';
export { SINCE_REPAIR } from './filter/sinceRepair';
export { type DrivePart } from './filter/driveSays';
export { wordTogether } from './filter/together';
export { WORK, WORK_KINDS, WORK_RISKS, workSpec, type WorkKind, type WorkRisks } from './work';
export {
  benchTests,
  earlierReadings,
  isBenchOf,
  complainedOf,
  saidBefore,
  sinceLastWork,
  standingAnswer,
  standingReading,
  type BenchRef,
} from './standing';
