import { isFault, type Cause, type ChannelSet, type Trace, type Vehicle } from '../../base';
import { drawBody, type PlantBody } from '../body';
import { drivePhases } from '../drive';
import { NO_FAULT } from '../fault';
import { scrambledRandom, seededRandom, type Random } from '../random';
import { cutRun, effectOf } from '../runs';
import { simulateDrive, type PlantRun } from '../simulate';
import { drawWorld } from './drawWorld';
import { drawWays, type DrawnFault } from './faultWays';
import { HOME_WORLD, type World } from './world';
import { drawWorldPhases } from './worldDrive';
import { logWorldRun } from './worldLogger';
import { drawWorldVehicle } from './worldVehicle';

/** What to draw in which world. */
export interface WorldRequest {
  readonly seed: number;
  /** Number of the world; 0 is the home world. Worlds of one number have one structure. */
  readonly world: number;
  readonly causes: readonly Cause[];
  readonly channelSet: ChannelSet;
  readonly start: 'cold' | 'part-soaked' | 'hot';
  /** Another drive of the car of an earlier scenario, on another day: its body and its fault stay. */
  readonly same?: Pick<WorldScenario, 'vehicle' | 'body' | 'drawn'>;
}

/** A drive in a drawn world with the truth behind it. */
export interface WorldScenario {
  readonly seed: number;
  readonly world: World;
  readonly vehicle: Vehicle;
  /** The individual car and its fault, for further drives of it. */
  readonly body: PlantBody;
  readonly drawn: DrawnFault;
  /** The cause, or the two of them; the drive decides between sound and too cold. */
  readonly causes: readonly Cause[];
  readonly ways: readonly { readonly cause: Cause; readonly way: string }[];
  readonly channelSet: ChannelSet;
  readonly start: WorldRequest['start'];
  readonly ambient_c: number;
  readonly trace: Trace;
  /** Logged reading against the same car on the same drive without the fault, K RMS. */
  readonly effect_k: number;
}

/** The structure of a world by its number. */
export const worldOf = (number: number): World =>
  number === 0 ? HOME_WORLD : drawWorld(scrambledRandom(number, 1), `world ${number}`);

/** Seconds for which a driver goes on past the limit that shows. */
const GOES_ON_S = 45;

/** Where a driver stops: some time after 116 to 124 °C shows, or when it boils. */
export function stopsAt(run: PlantRun, random: Random): number {
  const limit_c = random.uniform(116, 124);
  let over = 0;
  for (let i = 0; i < run.time_s.length; i++) {
    if (run.coolant_c[i]! > 134) return i;
    over = run.ect_c[i]! > limit_c && run.ect_c[i]! < 139 ? over + 1 : 0;
    if (over > GOES_ON_S) return i;
  }
  return run.time_s.length;
}

function startOf(start: WorldRequest['start'], ambient_c: number, rated_c: number, random: Random): number {
  if (start === 'hot') return rated_c - random.uniform(2, 18);
  if (start === 'cold') return ambient_c + random.normal(0.3, 0.9);
  return Math.max(ambient_c, Math.min(rated_c - 36, ambient_c + random.uniform(5, 40)));
}

/** Draws a whole case in a world: car, fault, weather, drive, logger. Same request, same case. */
export function drawWorldScenario(request: WorldRequest): WorldScenario {
  const random = scrambledRandom(request.seed, 2);
  const world = worldOf(request.world);
  const cold = request.causes[0] === 'insufficient-heat';
  const heated = request.causes.includes('thermostat-heating-fault') || random.chance(0.15);
  const vehicle = request.same?.vehicle ?? drawWorldVehicle(random, `${world.name}, car ${request.seed}`, heated);
  const ambient_c = cold ? random.uniform(-22, 4) : random.uniform(-20, 36);
  const body = request.same?.body ?? drawBody(vehicle, random, 1, world);
  const drawn = request.same?.drawn ?? drawWays(request.causes, random, vehicle);
  const startAt_c = startOf(request.start, ambient_c, vehicle.thermostat.rated_c, random);
  const conditions = { ambient_c, engineStart_c: Math.max(startAt_c, ambient_c - 2), coverFraction: 0 };
  const style = random.uniform(0, 1);
  // Off, low, by the climate control, or full.
  const asked =
    style < 0.3 ? 0 : style < 0.5 ? 25 : style < 0.8 ? Math.min(100, Math.max(5, 60 - 2.5 * ambient_c)) : 100;
  const demand = drivePhases(drawWorldPhases(random, cold), cold ? Math.max(60, asked) : asked, random);
  const noise = () => seededRandom(request.seed + 0.5);
  const full = simulateDrive(body, drawn.fault, demand, conditions, noise());
  const end = Math.max(60, stopsAt(full, random));
  const run = cutRun(full, end);
  const sound = cutRun(simulateDrive(body, NO_FAULT, demand, conditions, noise()), end);
  let reach = -Infinity;
  const opens_c = vehicle.thermostat.heated ? body.opening_c - body.waxHeater_k : body.opening_c;
  for (const t of sound.coolant_c) reach = Math.max(reach, t - opens_c);
  const causes = request.causes.map((cause) => (isFault(cause) ? cause : reach < -2 ? 'insufficient-heat' : 'healthy'));
  return {
    seed: request.seed,
    ...{ world, vehicle, body, drawn, causes },
    ways: drawn.ways,
    channelSet: request.channelSet,
    start: request.start,
    ambient_c,
    trace: logWorldRun(
      run,
      request.channelSet,
      vehicle,
      request.causes.find((c) => c === 'gauge-sender-fault') ?? causes[0]!,
      random,
    ),
    effect_k: Math.max(...request.causes.map((cause) => effectOf(run, sound, cause))),
  };
}
