import { median, min } from 'd3-array';
import { countPresent, duration_s, type ChannelName, type Trace, type Vehicle } from '../base';
import { resample } from '../signal';
import {
  fuelPower_kw,
  guessRpm,
  REFERENCE_MPS,
  REFERENCE_RPM,
  referenceFuel_kw,
  roadLoadFuel_kw,
  type HeatSource,
} from './heatEstimate';
import { ramAirOf } from './ramAir';
import { unknownDrive, type UnknownDrive } from './unknownDrive';

/**
 * Longest run the twin steps through; longer traces take longer steps. Where nothing but the temperature was logged the
 * drive is a slow wander and has no detail that short steps would show.
 */
const MOST_STEPS = 400;
const MOST_STEPS_UNKNOWN = 312;
const SHORTEST_STEP_S = 2.5;
/**
 * Heat through a cabin heater against its blower: a little by ram air and the lowest step, then less than in proportion
 * (air side of a cross-flow core: Kays & London, Compact Heat Exchangers, exponents of 0.6 to 0.7 of the air flow).
 */
const BLOWER_IDLE = 0.07;
const BLOWER_EXPONENT = 0.7;
/** Grid on which power and air flow are worked out before they are averaged over a step, s. */
const FINE_S = 1;
/** Steps per bin at which model and trace are compared. */
export const STEPS_PER_BIN = 4;

/** What drives the twin: one entry per step, none of them NaN. */
export interface TwinInputs {
  readonly vehicle: Vehicle;
  readonly step_s: number;
  readonly steps: number;
  readonly bins: number;
  readonly heatSource: HeatSource;
  /** What the drive may have been, where nothing but the temperature was logged. */
  readonly unknownDrive: UnknownDrive | null;
  /** Estimated fuel power relative to 15 kW per litre of displacement; 0 with the engine off. */
  readonly specificFuel: Float64Array;
  /** Its logarithm; -Infinity with the engine off. */
  readonly logFuel: Float64Array;
  /** Road speed relative to 100 km/h. */
  readonly speedRel: Float64Array;
  /** Air that the car's own speed drives through the radiator, relative to 100 km/h. */
  readonly ramAir: Float64Array;
  /** Engine speed relative to {@link REFERENCE_RPM}. */
  readonly pumpRel: Float64Array;
  /** Effect of the cabin blower on the heater, 0...1; 1 throughout when not logged. */
  readonly blower: Float64Array;
  readonly heaterLogged: boolean;
  /** Fan command 0...1; null when not logged. */
  readonly fan: Float64Array | null;
  /** Heating command of a heated thermostat 0...1; null when not logged. */
  readonly thermostatHeater: Float64Array | null;
  readonly ambientGuess_c: number;
  /** How well the outside temperature is known, K. */
  readonly ambientSd_k: number;
  /** Median of the first readings, °C. */
  readonly start_c: number;
}

const has = (trace: Trace, name: ChannelName): boolean => countPresent(trace.channels[name]) >= 2;

function chooseHeatSource(trace: Trace, vehicle: Vehicle): HeatSource {
  if (vehicle.engine.fuel === 'petrol' && has(trace, 'maf_gps')) return 'air-flow';
  if (has(trace, 'load_pct') && (has(trace, 'rpm') || has(trace, 'speed_kmh'))) return 'load';
  if (has(trace, 'speed_kmh')) return 'road-load';
  if (has(trace, 'rpm')) return 'engine-speed';
  return 'unknown';
}

function firstMedian(trace: Trace, name: ChannelName, seconds: number): number {
  const values = trace.channels[name];
  if (!values) return NaN;
  const t0 = trace.time_s[0] ?? 0;
  const found: number[] = [];
  for (let i = 0; i < values.length; i++) {
    if (trace.time_s[i]! - t0 > seconds && found.length > 0) break;
    if (Number.isFinite(values[i]!)) found.push(values[i]!);
  }
  return median(found) ?? NaN;
}

/** How well a log's own outside sensor, the intake air after a soak, and a person's word are known, K. */
const AMBIENT_SD_K = { logged: 1.5, intake: 2.5, given: 2.5 } as const;

/**
 * Outside temperature: its own channel, else the coolest intake air and what a person gave, weighed by how well each is
 * known, else a guess from any season.
 */
function guessAmbient(trace: Trace, given_c: number | null): { guess_c: number; sd_k: number } {
  if (has(trace, 'ambient_c')) {
    return { guess_c: median(trace.channels.ambient_c!.filter(Number.isFinite)) ?? 8, sd_k: AMBIENT_SD_K.logged };
  }
  const known: { at_c: number; sd_k: number }[] = given_c === null ? [] : [{ at_c: given_c, sd_k: AMBIENT_SD_K.given }];
  const iat = trace.channels.iat_c;
  if (iat && countPresent(iat) > 0) {
    const start = firstMedian(trace, 'iat_c', 30);
    const lowest = min(iat)!;
    // Intake air starts at outside air after a soak and never falls below it by more than its rounding.
    known.push({ at_c: Math.min(start, lowest + 4), sd_k: AMBIENT_SD_K.intake });
  }
  // Any season: flat enough that a hard frost is no reason to doubt the sender.
  if (known.length === 0) return { guess_c: 8, sd_k: 18 };
  const weight = known.reduce((sum, k) => sum + 1 / k.sd_k ** 2, 0);
  return { guess_c: known.reduce((sum, k) => sum + k.at_c / k.sd_k ** 2, 0) / weight, sd_k: Math.sqrt(1 / weight) };
}

function smoothedAcceleration(speed_mps: Float64Array, step_s: number): Float64Array {
  const out = new Float64Array(speed_mps.length);
  for (let i = 0; i < out.length; i++) {
    const a = Math.max(0, i - 1);
    const b = Math.min(out.length - 1, i + 1);
    out[i] = b > a ? (speed_mps[b]! - speed_mps[a]!) / ((b - a) * step_s) : 0;
  }
  return out;
}

/** Means of equal runs of `per` values. */
function averaged(values: Float64Array, per: number): Float64Array {
  const out = new Float64Array(values.length / per);
  for (let k = 0; k < out.length; k++) {
    let sum = 0;
    for (let j = 0; j < per; j++) sum += values[k * per + j]!;
    out[k] = sum / per;
  }
  return out;
}

/** Fuel power, road speed, ram air and pump speed on the fine grid. */
function engineInputs(
  vehicle: Vehicle,
  heatSource: HeatSource,
  channel: (name: ChannelName) => Float64Array | null,
  n: number,
  fine_s: number,
): { specificFuel: Float64Array; speedRel: Float64Array; ramAir: Float64Array; pumpRel: Float64Array } {
  const speed = channel('speed_kmh')?.map((v) => v / 3.6) ?? null;
  const rpm = channel('rpm');
  const load = channel('load_pct');
  const maf = channel('maf_gps');
  const acceleration = speed ? smoothedAcceleration(speed, fine_s) : null;
  const specificFuel = new Float64Array(n);
  const speedRel = new Float64Array(n);
  const pumpRel = new Float64Array(n);
  const reference_kw = referenceFuel_kw(vehicle);
  for (let k = 0; k < n; k++) {
    const signals = {
      rpm: rpm ? rpm[k]! : NaN,
      speed_mps: speed ? speed[k]! : NaN,
      acceleration_mps2: acceleration ? acceleration[k]! : NaN,
      load_pct: load ? load[k]! : NaN,
      maf_gps: maf ? maf[k]! : NaN,
    };
    let fuel_kw = fuelPower_kw(vehicle, heatSource, signals);
    // A diesel's load scale differs between control units: average it with the road load where both are known.
    if (heatSource === 'load' && vehicle.engine.fuel === 'diesel' && speed) {
      fuel_kw = 0.5 * (fuel_kw + roadLoadFuel_kw(vehicle, signals));
    }
    specificFuel[k] = Number.isFinite(fuel_kw) ? fuel_kw / reference_kw : 1;
    const v = speed ? speed[k]! : rpm ? Math.max(0, (rpm[k]! - 1.15 * vehicle.engine.idle_rpm) / 110) : 10;
    speedRel[k] = Math.max(0, v / REFERENCE_MPS);
    pumpRel[k] = (rpm ? rpm[k]! : guessRpm(vehicle, v)) / REFERENCE_RPM;
  }
  return { specificFuel, speedRel, ramAir: speedRel.map(ramAirOf), pumpRel };
}

/**
 * Prepares a trace for the twin: one time grid, best heat estimate, what is known of heater, fan and weather. Power and
 * flows are averaged over each step, not sampled in it: a drive changes faster than the model steps.
 *
 * @param trace at least two rows
 * @param outside_c outside temperature that a person gave; used where the log has none of its own
 */
export function prepareInputs(trace: Trace, vehicle: Vehicle, outside_c: number | null = null): TwinInputs {
  const total_s = duration_s(trace);
  const heatSource = chooseHeatSource(trace, vehicle);
  const step_s = Math.max(SHORTEST_STEP_S, total_s / (heatSource === 'unknown' ? MOST_STEPS_UNKNOWN : MOST_STEPS));
  const bins = Math.max(1, Math.floor(total_s / (step_s * STEPS_PER_BIN)) + 1);
  const steps = bins * STEPS_PER_BIN;
  const per = Math.max(1, Math.round(step_s / FINE_S));
  const fine_s = step_s / per;
  const t0 = trace.time_s[0]!;
  const at = Float64Array.from({ length: steps * per }, (_, k) => t0 + (k + 0.5) * fine_s);
  const channel = (name: ChannelName): Float64Array | null =>
    has(trace, name) ? resample(trace.time_s, trace.channels[name]!, at) : null;
  const engine = engineInputs(vehicle, heatSource, channel, at.length, fine_s);
  const specificFuel = averaged(engine.specificFuel, per);
  const ambient = guessAmbient(trace, outside_c);
  const share = (name: ChannelName): Float64Array | null => {
    const values = channel(name);
    return values && averaged(values, per).map((x) => x / 100);
  };
  const heater = share('heater_pct');
  return {
    vehicle,
    step_s,
    steps,
    bins,
    heatSource,
    unknownDrive: heatSource === 'unknown' ? unknownDrive(vehicle) : null,
    specificFuel,
    logFuel: specificFuel.map(Math.log),
    speedRel: averaged(engine.speedRel, per),
    ramAir: averaged(engine.ramAir, per),
    pumpRel: averaged(engine.pumpRel, per),
    blower: heater
      ? heater.map((x) => BLOWER_IDLE + (1 - BLOWER_IDLE) * Math.max(0, x) ** BLOWER_EXPONENT)
      : new Float64Array(steps).fill(1),
    heaterLogged: heater !== null,
    fan: share('fan_pct'),
    thermostatHeater: share('thermostat_heater_pct'),
    ambientGuess_c: ambient.guess_c,
    ambientSd_k: ambient.sd_k,
    start_c: firstMedian(trace, 'ect_c', 20),
  };
}
