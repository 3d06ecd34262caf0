export {
  MONITOR_DEFAULTS,
  runMonitors,
  type CodeResult,
  type MonitorInput,
  type MonitorSettings,
} from './codeMonitors';
