import { afterSoak, continuous, heatingCircuit } from './circuit';
import type { MonitorInput } from './drive';
import type { CodeResult } from './result';
import { MONITOR_DEFAULTS, type MonitorSettings } from './settings';
import { closedLoop, warmUp } from './warmUp';

/** Runs every monitor over a drive, the warm-up first. */
export function runMonitors(input: MonitorInput, settings: MonitorSettings = MONITOR_DEFAULTS): CodeResult[] {
  return [
    warmUp(input, settings),
    closedLoop(input, settings),
    afterSoak(input, settings),
    ...continuous(input, settings),
    ...(input.heated ? heatingCircuit(settings) : []),
  ];
}
