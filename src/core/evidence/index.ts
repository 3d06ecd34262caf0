export {
  appliesTo,
  buildCatalogue,
  CATALOGUE,
  catalogueItem,
  findItem,
  isAnswer,
  type CatalogueItem,
  type ItemAnswer,
  type ItemId,
  type Layout,
  type LikelihoodTable,
  type OwnTables,
  type Stage,
} from './catalogue/catalogue';
export { CAUSE_TEXT, causeName, FAMILY_NAME } from './causeText';
export { complaintConflicts } from './conflicts';
export {
  COURSE_LINE,
  driveWord,
  EXPERIENCE_LINE,
  START_LINE,
  VISIBILITY_LINE,
  type DriveEvidence,
} from './driveEvidence';
export { flatLogs, logsOf, type CauseLogs, type EvidenceKind, type EvidenceLine } from './evidenceLine';
export { acrossDivide, GRADE_FROM, gradeOf, sortedOdds, type Grade, type Odds } from './grade';
export { headlineOf, sameAct, type Headline } from './headline';
export {
  describeTest,
  entropy_bits,
  openTests,
  OVERHEAD_MIN,
  proposeTest,
  type NextTest,
  type OpenTests,
  type Outcome,
  type TestProposal,
} from './nextTest';
export { misfitGain } from './misfitSize';
export { addLogs, CALIBRATION, toProbabilities } from './posterior';
export { BASE_RATES, logPriors } from './priors';
