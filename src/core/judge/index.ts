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
export { opensAt_s, type InnerDrive, type Opening } from './fits/inner';
export type { DrawnDrive } from './fits/healthyBand';
export { EXPERIENCE } from './experience/experience';
export { type Figures } from './experience/figure';
export { besides } from './known';
export { experienced, type Experience, type Net } from './experience/network';
export { withSecondFault } from './experience/secondFault';
export { judgeFiguresNow, judgeNow, judgeTrace, type JudgedWithFigures, type JudgeOptions } from './judge';
export { type JudgeProgress } from './judgeProgress';
export { learnVehicle } from './memory';
export { monitorInput, regulates_c } from './monitorCodes';
export { monitorsOf } from './monitorsOf';
export { prepareDrive, soundDrives, type DriveKnowledge, type PreparedDrive } from './prepareDrive';
export { resultLine } from './resultLine';
export type { Remark, RemarkFigures, RemarkKind } from './words/remark';
export { remarksText, remarkText } from './words/remarkText';
export { verdictText } from './words/verdictText';
