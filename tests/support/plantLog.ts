import type { Vehicle } from '../../src/core/base';
import { writeTrace } from '../../src/core/formats';
import {
  drawBody,
  drivePhases,
  logRun,
  NO_FAULT,
  seededRandom,
  simulateDrive,
  type Phase,
  type PlantFault,
} from '../../src/core/plant';

/** A drive of a made-up car. */
export interface PlantLog {
  readonly vehicle: Vehicle;
  /** Seed of the very car: two drives of one car share it. */
  readonly body: number;
  readonly fault?: Partial<PlantFault>;
  readonly ambient_c: number;
  readonly phases: readonly Phase[];
  /** Seed of the drive: traffic, noise. */
  readonly seed: number;
}

/** The log of a drive by the plant, which the judge's model did not make, as canonical CSV. */
export function plantLog({ vehicle, body: of, fault = {}, ambient_c, phases, seed }: PlantLog): string {
  const body = drawBody(vehicle, seededRandom(of), 0.6);
  const random = seededRandom(seed);
  const demand = drivePhases(phases, 40, random);
  const conditions = { ambient_c, engineStart_c: ambient_c + 0.4, coverFraction: 0 };
  const run = simulateDrive(body, { ...NO_FAULT, ...fault }, demand, conditions, random);
  const channels = ['ect_c', 'iat_c', 'ambient_c', 'speed_kmh', 'rpm', 'load_pct', 'maf_gps', 'heater_pct'] as const;
  return writeTrace(logRun(run, { channels, period_s: 2, jitter: 0.02, lost: 0, polled: false }, random));
}
