export {
  type CauseShare,
  type FaultFigure,
  type Finding,
  type FindingCurves,
  type HypothesisReport,
  type MemoryReport,
  type ParameterReport,
  type Quality,
} from './finding';
export { judgeNow, judgeTrace, type JudgeOptions } from './judge';
export { type JudgeProgress } from './judgeProgress';
export { learnVehicle } from './memory';
export { resultLine } from './resultLine';
export type { Remark, RemarkFigures, RemarkKind } from './words/remark';
export { remarksText, remarkText } from './words/remarkText';
export { verdictText } from './words/verdictText';
