import { isFault, type Cause, type ChannelName, type ChannelSet, type Trace, type Vehicle } from '../base';
import { drawBody, type PlantBody } from './body';
import { drivePhases, type DriveDemand, type Phase, type PhaseKind } from './drive';
import { drawFault, NO_FAULT, type PlantFault } from './fault';
import { CHANNELS_OF_SET, logRun, type LoggerSettings } from './logger';
import { seededRandom, type Random } from './random';
import { drawVehicle } from './randomVehicle';
import { cutRun, effectOf } from './runs';
import { simulateDrive, type PlantConditions, type PlantRun } from './simulate';

/** A drawn test case: a trace with the truth behind it. */
export interface Scenario {
  readonly seed: number;
  readonly vehicle: Vehicle;
  readonly cause: Cause;
  readonly fault: PlantFault;
  /** The very vehicle, for another drive of it. */
  readonly body: PlantBody;
  readonly channelSet: ChannelSet;
  readonly conditions: PlantConditions;
  /** Started hot: no judge can tell. */
  readonly hotStart: boolean;
  readonly trace: Trace;
  /** How far the fault moved the logged reading against the same sound vehicle on the same drive, °C RMS. */
  readonly effect_k: number;
  /** Largest true coolant temperature of the sound twin vehicle against its opening temperature, K. */
  readonly healthyReach_k: number;
  /** Everything the drive produced, as far as it was logged: the hidden truth. */
  readonly run: PlantRun;
}

/** What to draw. Anything left out is drawn from the seed. */
export interface ScenarioRequest {
  readonly seed: number;
  readonly cause?: Cause;
  readonly channelSet?: ChannelSet;
  readonly vehicle?: Vehicle;
  /** The very vehicle and its fault, as drawn for another drive of it. */
  readonly same?: { readonly body: PlantBody; readonly fault: PlantFault };
  readonly ambient_c?: number;
  readonly hotStart?: boolean;
  /** Logged beside the channels of the set. */
  readonly extraChannels?: readonly ChannelName[];
}

function drawPhases(random: Random, cold: boolean, faultTooHot: boolean): Phase[] {
  const style = random.uniform(0, 1);
  const minutes = random.uniform(18, 36);
  const phases: Phase[] = [{ kind: 'idle', duration_s: random.uniform(15, 120) }];
  const kinds: PhaseKind[] =
    cold && style < 0.25
      ? ['idle']
      : style < 0.4
        ? ['town', 'idle']
        : style < 0.55
          ? ['town', 'road', 'motorway', 'town']
          : style < 0.8
            ? ['town', 'road', 'idle', 'road']
            : ['road', 'hill', 'motorway', 'idle'];
  let left = minutes * 60;
  for (let i = 0; left > 0; i++) {
    const duration_s = Math.min(left, random.uniform(150, 480));
    phases.push({ kind: kinds[i % kinds.length]!, duration_s });
    left -= duration_s;
  }
  if (faultTooHot) phases.push({ kind: 'idle', duration_s: random.uniform(240, 600) });
  return phases;
}

const TOO_HOT: readonly Cause[] = [
  'fan-not-running',
  'flow-restricted',
  'thermostat-stuck-closed',
  'thermostat-opens-late',
];

function drawLogger(channelSet: ChannelSet, vehicle: Vehicle, cause: Cause, random: Random): LoggerSettings {
  const channels = [...CHANNELS_OF_SET[channelSet]] as ChannelName[];
  if (channelSet === 'full') {
    for (const optional of ['ambient_c', 'maf_gps', 'fan_pct', 'heater_pct'] as const) {
      if (random.chance(0.2)) channels.splice(channels.indexOf(optional), 1);
    }
    if (random.chance(0.25)) channels.push('oil_c');
    if (random.chance(0.12)) channels.push('rad_out_c');
    if (random.chance(0.2)) channels.push('ect2_c');
    if (vehicle.thermostat.heated) channels.push('thermostat_heater_pct');
    if (cause === 'gauge-sender-fault' || random.chance(0.3)) channels.push('gauge_c');
  }
  return {
    channels,
    period_s: 1 / random.uniform(0.4, 2),
    jitter: 0.08,
    lost: random.uniform(0, 0.02),
    polled: random.chance(0.15),
  };
}

/** Stops a drive where a driver would: two minutes after the reading passes the limit, or when steam shows. */
function cutAtOverheating(run: PlantRun): number {
  for (let i = 0; i < run.time_s.length; i++) if (run.coolant_c[i]! > 132) return i;
  return run.time_s.length;
}

/** Draws a whole case from a seed: vehicle, fault, weather, drive, logger. Same seed, same case. */
export function drawScenario(request: ScenarioRequest): Scenario {
  const random = seededRandom(request.seed);
  const cause = request.cause ?? 'healthy';
  const vehicle =
    request.vehicle ?? drawVehicle(random, cause === 'thermostat-heating-fault' ? true : random.chance(0.1));
  const cold = cause === 'insufficient-heat';
  const ambient_c = request.ambient_c ?? (cold ? random.uniform(-25, 2) : random.uniform(-25, 38));
  const drawn = { body: drawBody(vehicle, random), fault: drawFault(cause, random, vehicle) };
  const { body, fault } = request.same ?? drawn;
  const hotStart = request.hotStart ?? false;
  const partSoak = random.chance(0.12);
  const engineStart_c = hotStart
    ? vehicle.thermostat.rated_c - random.uniform(2, 14)
    : partSoak
      ? Math.min(vehicle.thermostat.rated_c - 35, ambient_c + random.uniform(4, 30))
      : ambient_c + random.normal(0.3, 0.8);
  const heater_pct = cold || ambient_c < 8 ? random.uniform(25, 100) : random.chance(0.4) ? random.uniform(10, 50) : 0;
  const conditions: PlantConditions = {
    ambient_c,
    engineStart_c: Math.max(engineStart_c, ambient_c - 2),
    coverFraction: 0,
  };
  const demand: DriveDemand = drivePhases(drawPhases(random, cold, TOO_HOT.includes(cause)), heater_pct, random);
  const noiseSeed = request.seed + 0.5;
  const full = simulateDrive(body, fault, demand, conditions, seededRandom(noiseSeed));
  const fullSound = simulateDrive(body, NO_FAULT, demand, conditions, seededRandom(noiseSeed));
  const end = cutAtOverheating(full);
  const run = cutRun(full, end);
  const sound = cutRun(fullSound, end);
  const channelSet = request.channelSet ?? random.pick(['full', 'basic', 'temperature-only'] as const);
  const logger = drawLogger(channelSet, vehicle, cause, random);
  const channels = [...new Set([...logger.channels, ...(request.extraChannels ?? [])])];
  const trace = logRun(run, { ...logger, channels }, random);
  let reach = -Infinity;
  for (const t of sound.coolant_c) reach = Math.max(reach, t - body.opening_c);
  const named = isFault(cause) ? cause : reach < -2 ? 'insufficient-heat' : 'healthy';
  return {
    seed: request.seed,
    vehicle,
    cause: named,
    fault,
    body,
    channelSet,
    conditions,
    hotStart,
    trace,
    effect_k: effectOf(run, sound, cause),
    healthyReach_k: reach,
    run,
  };
}
