import type { Trace, Vehicle } from '../base';
import { prepareInputs, VEHICLE_PARAMETERS, type VehicleMemory, type VehicleParameterName } from '../twin';
import { inspectSignal, maskTrace } from './raw/detectors';
import { predictBand } from './fits/healthyBand';
import { SOUND } from './fits/hypotheses';
import { fitHypothesis } from './fits/fitHypothesis';
import { firstGuess, prepareProblem, type TraceProblem } from './fits/traceFit';

/** Parameters that belong to one drive, not to the vehicle: they are never remembered. */
const OF_THE_DRIVE: readonly VehicleParameterName[] = ['ambient', 'startExcess'];
/** Heat figures hold only for the channel they were found from. */
const OF_THE_CHANNEL: readonly VehicleParameterName[] = ['heatScale', 'heatTilt'];
/**
 * Narrowest spread a memory may leave, in prior standard deviations: vehicles change with season, load and age, and the
 * reduced model fits the same vehicle a little differently on another drive.
 */
const NARROWEST = 0.4;

/** A memory that knows nothing. */
export const NO_MEMORY: VehicleMemory = {
  mean: VEHICLE_PARAMETERS.map(() => 0),
  sd: VEHICLE_PARAMETERS.map(() => 1),
  heatSource: null,
};

/**
 * Narrows a vehicle's parameters by a trace that is known to be good.
 *
 * @param before what earlier good traces of the same vehicle left
 * @returns means and spreads of the twin's parameters in standard deviations of the general prior
 */
export function learnVehicle(trace: Trace, vehicle: Vehicle, before: VehicleMemory | null = null): VehicleMemory {
  const masked = maskTrace(trace, inspectSignal(trace, vehicle));
  const inputs = prepareInputs(masked, vehicle);
  const problem = prepareProblem(inputs, masked, before);
  const { fit } = fitHypothesis(problem, SOUND, firstGuess(problem, SOUND, []));
  const from = before ?? NO_MEMORY;
  const size = fit.z.length;
  const covariance = fit.covariance();
  const sameHeat = from.heatSource === null || from.heatSource === inputs.heatSource;
  const keep = VEHICLE_PARAMETERS.map(({ name }) => {
    if (OF_THE_DRIVE.includes(name)) return false;
    if (name === 'heater' && !inputs.heaterLogged) return false;
    return !OF_THE_CHANNEL.includes(name) || sameHeat;
  });
  return {
    mean: VEHICLE_PARAMETERS.map((_, i) => (keep[i] ? from.mean[i]! + from.sd[i]! * fit.z[i]! : from.mean[i]!)),
    sd: VEHICLE_PARAMETERS.map((_, i) => {
      if (!keep[i]) return from.sd[i]!;
      const posterior = from.sd[i]! * Math.sqrt(covariance[i * size + i]!);
      return Math.min(from.sd[i]!, Math.max(NARROWEST, posterior));
    }),
    heatSource: from.heatSource ?? inputs.heatSource,
  };
}

/** Mean width of the band of a sound vehicle over a drive, K. */
export function bandWidth_k(problem: TraceProblem): number {
  const band = predictBand(problem, SOUND);
  let sum = 0;
  for (let k = 0; k < band.low_c.length; k++) sum += band.high_c[k]! - band.low_c[k]!;
  return sum / band.low_c.length;
}
