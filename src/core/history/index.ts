export { RATES_FROM, suggestedRates, type SuggestedRate, type SuggestedRates } from './baseRates';
export { partRecords, type PartRecord } from './parts';
export {
  pastJobOf,
  type FirstFinding,
  type FittedPart,
  type PastJob,
  type PastJobInput,
  type TestEffect,
  type Truth,
} from './pastJob';
export { plannedAgainstTaken, type PlannedTaken, type WorkPlannedTaken } from './plannedTaken';
export {
  counted,
  FEW,
  reliabilityOf,
  wasRight,
  type Counted,
  type Reliability,
  type ReliabilityBin,
} from './reliability';
export { testRecords, type TestRecord } from './tests';
export { trendOf, type DatedReading, type Trend } from './trend';
