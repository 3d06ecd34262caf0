export { NOTHING_ELSE_LOGGED, type MonitorInput } from './drive';
export { readFrame, frameFit, type FrameFit, type FreezeFrame } from './freezeFrame';
export { MONITOR_NAME, monitorDetail, monitorText, monitorVerdict, whyNotText } from './monitorText';
export { lampAfter, type CodeResult, type ConditionKind, type Lamp, type WhyNot } from './result';
export { runMonitors } from './runMonitors';
export {
  MONITOR_DEFAULTS,
  WARM_UP_KINDS,
  type MonitorLimits,
  type MonitorSettings,
  type MonitorTables,
  type StartTable,
  type WarmUpKind,
} from './settings';
