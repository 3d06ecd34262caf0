import type { Cause, ChannelName, Trace, Vehicle } from '../base';
import { drawBody, drawFault, drivePhases, logRun, NO_FAULT, seededRandom, simulateDrive } from '../plant';
import type { DrivePlan } from './drivePlan';

/** Scatter between vehicles of a kind, as a share of the plant's full one. */
const SPREAD = 0.8;

/** What an adapter can ask a simulated vehicle for. */
const CHANNELS: readonly ChannelName[] = ['ect_c', 'iat_c', 'ambient_c', 'speed_kmh', 'rpm', 'load_pct', 'maf_gps'];

/**
 * A vehicle of this kind on a planned drive, second by second, for a logger to be tried on.
 *
 * @param seed which vehicle of its kind, and how bad the fault
 */
export function simulatedDrive(vehicle: Vehicle, plan: DrivePlan, cause: Cause, seed: number): Trace {
  const random = seededRandom(seed);
  const body = drawBody(vehicle, random, SPREAD);
  const fault = cause === 'healthy' ? NO_FAULT : drawFault(cause, random, vehicle);
  const conditions = {
    ambient_c: plan.ambient_c,
    engineStart_c: plan.ambient_c + plan.startExcess_k,
    coverFraction: 0,
  };
  const run = simulateDrive(body, fault, drivePhases(plan.phases, plan.heater_pct, random), conditions, random);
  return logRun(run, { channels: CHANNELS, period_s: 1, jitter: 0, lost: 0, polled: false }, random);
}
