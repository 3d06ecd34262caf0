import type { Cause, ChannelSet, Trace, Vehicle } from '../../base';
import { drawBody, type PlantBody } from '../body';
import { drivePhases, type Phase } from '../drive';
import { NO_FAULT, type PlantFault } from '../fault';
import { scrambledRandom, seededRandom } from '../random';
import { cutRun, effectOf } from '../runs';
import { simulateDrive } from '../simulate';
import { drawWays } from './faultWays';
import { logWorldRun } from './worldLogger';
import { stopsAt, worldOf } from './worldScenario';
import { drawWorldVehicle } from './worldVehicle';

/** A car of a world that can be driven more than once: what is written of it, what it truly is, what is wrong. */
export interface WorldCar {
  readonly seed: number;
  readonly vehicle: Vehicle;
  readonly cause: Cause;
  /** How its fault came about, by the key of {@link FAULT_WAYS}. */
  readonly way: string;
  readonly body: PlantBody;
  readonly fault: PlantFault;
}

/** A drive that a person chose. */
export interface WorldCarDrive {
  readonly phases: readonly Phase[];
  readonly ambient_c: number;
  readonly heater_pct: number;
  /** Engine above outside air at the start, K. */
  readonly startExcess_k: number;
  readonly channelSet: ChannelSet;
  /** Another traffic and another logger for each. */
  readonly seed: number;
}

/** Draws a car of a world with one cause. Same arguments, same car. */
export function drawWorldCar(seed: number, world: number, cause: Cause): WorldCar {
  const random = scrambledRandom(seed, 5);
  const structure = worldOf(world);
  const heated = cause === 'thermostat-heating-fault' || random.chance(0.12);
  const vehicle = drawWorldVehicle(random, '', heated);
  const body = drawBody(vehicle, random, 1, structure);
  const { fault, ways } = drawWays([cause], random, vehicle);
  return { seed, vehicle, cause, way: ways[0]!.way, body, fault };
}

/**
 * Drives such a car and logs it; the driver stops where it gets too hot.
 *
 * @returns the log; how far the fault moved the reading, K RMS; how far above its opening the sound car came, K
 */
export function driveWorldCar(
  car: WorldCar,
  drive: WorldCarDrive,
): { readonly trace: Trace; readonly effect_k: number; readonly reach_k: number } {
  const random = scrambledRandom(drive.seed, 6);
  const demand = drivePhases(drive.phases, drive.heater_pct, random);
  const { ambient_c } = drive;
  const conditions = { ambient_c, engineStart_c: ambient_c + drive.startExcess_k, coverFraction: 0 };
  const noise = () => seededRandom(drive.seed + 0.5);
  const full = simulateDrive(car.body, car.fault, demand, conditions, noise());
  const end = Math.max(60, stopsAt(full, random));
  const run = cutRun(full, end);
  const sound = cutRun(simulateDrive(car.body, NO_FAULT, demand, conditions, noise()), end);
  const { thermostat } = car.vehicle;
  const opens_c = thermostat.heated ? car.body.opening_c - car.body.waxHeater_k : car.body.opening_c;
  return {
    trace: logWorldRun(run, drive.channelSet, car.vehicle, car.cause, random),
    effect_k: effectOf(run, sound, car.cause),
    reach_k: sound.coolant_c.reduce((most, t) => Math.max(most, t - opens_c), -Infinity),
  };
}
