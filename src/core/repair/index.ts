export { airVerdict, gasTestDue, SETTLED_MM, type AirVerdict } from './airVerdict';
export { bleedReserve_l, containersFor, type ContainerNeed } from './containers';
export {
  fastenerDoubt,
  fastenerText,
  HEAD_SIZES,
  inchFor,
  INCH_SPANNERS,
  torqueDoubt,
  type HeadSizes,
} from './fasteners';
export { cleanerDose, cyclesUntil, flushAdvice, leftAfter_pct, type Cleaner, type FlushSigns } from './flush';
export {
  INSTRUMENT_NAMES,
  INSTRUMENTS,
  ledgerOf,
  OUT_KINDS,
  type Flow,
  type Instrument,
  type LedgerError,
  type LedgerStart,
  type LedgerState,
  type OutKind,
} from './ledger';
export { filledWith_pct, mixFor, swapToReach_l, type MixAnswer, type MixTask } from './mix';
export { ratioText, strengthFor, STRONG_PCT, USUAL_CLIMATE, type Climate, type Strength } from './strength';
export { coolantNeed } from './coolantNeed';
export { EXCEPTIONS, type ExceptionSpec } from './exceptions';
export { EXTRAS, extrasFor, type ExtraCost, type ExtraSpec } from './extras';
export {
  aimOf,
  fillingPlan,
  flowOf,
  growsBy_l,
  insideNow,
  strengthBought_pct,
  totals,
  type FillingPlan,
} from './filling';
export { coolantFit, isThermostat, missingParts, opensSystem, partDoubts, pickList, type PickGroup } from './needs';
export { openingWindow, openingWords, type OpeningWindow } from './openingWindow';
export { newSheet, readSheet } from './sheetSchema';
export { blockers, openSigns, type OpenSign } from './signs';
export {
  COUNTED,
  EXCEPTION_KINDS,
  OTHER_FAULTS,
  STRIP_KINDS,
  type BleedState,
  type Counted,
  type DrainState,
  type FaultFound,
  type FillState,
  type LedgerLine,
  type PlannedCoolant,
  type PlannedPart,
  type ReferenceLine,
  type RepairException,
  type RepairPlan,
  type RepairSheet,
  type SafeState,
  type SampleJar,
  type StripItem,
  type StripKind,
  type StripState,
} from './sheet';
export {
  DRAIN_STEPS,
  FILL_STEPS,
  FLUSH_LOOPS,
  FLUSH_WAYS,
  missingBeforeClosing,
  PLACE_CAUTIONS,
  REUSE_STEPS,
  safeSteps,
  SEAT_STEPS,
  STRIP_TIPS,
  type SafeNeeds,
  type SeatStep,
  type TickStep,
} from './steps';
export { REPAIR_SCHOOLS, type RepairSchool } from './schools';
export { connectorTally, lost, refitList, stillInside, valveOut } from './strip';
export { worksDone } from './worksDone';
