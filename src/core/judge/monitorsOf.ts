import type { Trace, Vehicle } from '../base';
import type { CodeResult, MonitorSettings } from '../monitor';
import { predictBand } from './fits/healthyBand';
import { SOUND } from './fits/hypotheses';
import { codesOf } from './monitorCodes';
import { prepareDrive, type DriveKnowledge } from './prepareDrive';

/** What every monitor makes of a trace, without judging it. @param trace at least two rows */
export function monitorsOf(
  trace: Trace,
  vehicle: Vehicle,
  settings: MonitorSettings,
  known: DriveKnowledge = {},
): CodeResult[] {
  const { findings, problem } = prepareDrive(trace, vehicle, known);
  return codesOf({ trace, findings, problem, expected_c: predictBand(problem, SOUND).low_c }, settings);
}
