export { caseOdds, type Answer, type CaseLine, type CaseOdds } from './caseOdds';
export { CATALOGUE, catalogueItem, readCatalogue, STAGES, type CatalogueItem } from './catalogue/catalogue';
export { CAUSE_TEXT, causeName, FAMILY_NAME, type CauseFamily } from './causeText';
export { vehicleScale, type VehicleScale } from './vehicleScale';
export {
  GRADE_FROM,
  gradeOf,
  type CauseOdds,
  type EvidenceLine,
  type Finding,
  type FindingCurves,
  type Grade,
  type HypothesisReport,
  type MemoryReport,
  type NextTest,
  type ParameterReport,
  type Quality,
} from './finding';
export { neighboursOf } from './neighbours';
export { type JudgeProgress } from './judgeProgress';
export { judgeNow, judgeTrace, type JudgeOptions } from './judge';
export { bestTests, describeTest, entropy_bits, proposeTest, type TestProposal } from './nextTest';
export { addLogs, toProbabilities } from './posterior';
export { BASE_RATES, logPriors } from './priors';
export { resultLine } from './resultLine';
export { learnVehicle } from './memory';
export { complaintConflicts } from './conflicts';
export {
  checkCap,
  checkMix,
  checkRails,
  compareSoak,
  coolEnough,
  mendFirst,
  OPEN_AFTER_MIN,
  OPEN_BELOW_C,
  type SoakReadings,
} from './coldChecks';
export { repeatedParts } from './repeatedParts';
