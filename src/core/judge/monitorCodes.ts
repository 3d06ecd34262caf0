import { countPresent, type ChannelName, type Trace, type Vehicle } from '../base';
import { runMonitors, type CodeResult, type MonitorInput, type MonitorSettings } from '../monitor';
import type { TwinInputs } from '../twin';
import type { TraceProblem } from './fits/traceFit';
import type { SignalFindings } from './raw/detectors';

/** What the monitors need of a judged drive. */
interface MonitoredDrive {
  readonly trace: Trace;
  readonly findings: Pick<SignalFindings, 'dropouts_s'>;
  readonly problem: Pick<TraceProblem, 'inputs' | 'bin_s'>;
  /** Slowest warm-up expected of a sound vehicle, °C per bin. */
  readonly expected_c: Float64Array;
}

/** Lower heating value, kJ/g: one figure for both fuels (Heywood, table D.4: 43.5 and 42.8). */
const HEATING_KJ_G = 43;

const firstOf = (trace: Trace, name: ChannelName): number | null => trace.channels[name]?.find(Number.isFinite) ?? null;
const logged = (trace: Trace, name: ChannelName): Float64Array | null =>
  countPresent(trace.channels[name]) >= 2 ? trace.channels[name]! : null;

/** Fuel burnt at each row, g/s, from the best heat estimate; null where nothing tells it. */
function fuelRate({ inputs }: Pick<TraceProblem, 'inputs'>, time_s: Float64Array): Float64Array | null {
  if (inputs.heatSource === 'unknown') return null;
  const reference_kw = 15 * inputs.vehicle.engine.displacement_l;
  return time_s.map((t) => {
    const k = Math.min(inputs.steps - 1, Math.floor(t / inputs.step_s));
    return (inputs.specificFuel[k]! * reference_kw) / HEATING_KJ_G;
  });
}

/** Engine speed from which an engine runs and is not merely turned by its starter, rpm (working figure). */
const RUNS_RPM = 350;

/** When the engine first ran, s from the first row; 0 where its speed was not logged, null where it never ran. */
function startedAt(trace: Trace, time_s: Float64Array): number | null {
  const rpm = logged(trace, 'rpm');
  if (!rpm) return 0;
  const at = rpm.findIndex((v) => v >= RUNS_RPM);
  if (at < 0) return null;
  // A log whose first row has no engine speed yet, or whose channels take turns, begins with the engine running.
  return rpm.slice(0, at).some((v) => v < RUNS_RPM) ? time_s[at]! : 0;
}

/** The last reading up to a moment; NaN without one. */
function readingBy(time_s: Float64Array, reading_c: Float64Array, at_s: number): number {
  let found = NaN;
  for (let i = 0; i < time_s.length && time_s[i]! <= at_s; i++)
    if (Number.isFinite(reading_c[i]!)) found = reading_c[i]!;
  return found;
}

/** Lowest temperature at which a vehicle's thermostat opens by its papers, °C. */
export const regulates_c = ({ thermostat }: Vehicle): number =>
  thermostat.heated ? (thermostat.heated_rated_c ?? thermostat.rated_c) : thermostat.rated_c;

/** What the monitors look at on a drive. */
export function monitorInput({ trace, findings, problem, expected_c }: MonitoredDrive): MonitorInput {
  const t0 = trace.time_s[0]!;
  const time_s = trace.time_s.map((t) => t - t0);
  const inputs: TwinInputs = problem.inputs;
  const { vehicle } = inputs;
  const started_s = startedAt(trace, time_s);
  return {
    time_s,
    started_s,
    reading_c: trace.channels.ect_c,
    expected_c: time_s.map((t) => expected_c[Math.min(expected_c.length - 1, Math.floor(t / problem.bin_s))]!),
    rated_c: regulates_c(vehicle),
    displacement_l: vehicle.engine.displacement_l,
    heated: vehicle.thermostat.heated,
    start_c: started_s ? readingBy(time_s, trace.channels.ect_c, started_s) : inputs.start_c,
    intake_c: firstOf(trace, 'iat_c'),
    ambient_c: firstOf(trace, 'ambient_c'),
    oil_c: firstOf(trace, 'oil_c'),
    speed_kmh: logged(trace, 'speed_kmh'),
    air_gps: logged(trace, 'maf_gps'),
    fuel_gps: fuelRate(problem, time_s),
    dropouts_s: findings.dropouts_s.map((t) => t - t0),
  };
}

/** What every monitor made of a drive. */
export const codesOf = (drive: MonitoredDrive, settings: MonitorSettings): CodeResult[] =>
  runMonitors(monitorInput(drive), settings);
