import type { Cause } from '../base';
import type { DriveWay } from '../evidence';
import { logSumExp } from '../signal';
import { VEHICLE_PARAMETERS, type TwinInputs, type VehicleParameterName } from '../twin';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';

/** Parameters of one drive: another drive of the same vehicle says nothing of them. */
const OF_THE_DRIVE: readonly VehicleParameterName[] = ['ambient', 'startExcess'];
/** Heat figures are relative to the channel they were found from. */
const OF_THE_CHANNEL: readonly VehicleParameterName[] = ['heatScale', 'heatTilt'];
/** Ways whose evidence lies further than this below the best are no longer carried, in units of log evidence. */
const CARRIED_WITHIN = 16;

/** Name under which another drive must know a coordinate to mean the same. */
function coordinate(name: VehicleParameterName, inputs: TwinInputs): string {
  if (OF_THE_CHANNEL.includes(name)) return `${name} by ${inputs.heatSource}`;
  return name === 'heater' && !inputs.heaterLogged ? 'heater, use unknown' : name;
}

/** Rows and columns of a covariance. */
function part(covariance: Float64Array, size: number, keep: readonly number[]): Float64Array {
  const out = new Float64Array(keep.length * keep.length);
  keep.forEach((i, a) => keep.forEach((j, b) => (out[a * keep.length + b] = covariance[i * size + j]!)));
  return out;
}

/**
 * What each way found of vehicle and severity, for the next drive of the same vehicle. Heat knots and what belongs to
 * this drive alone are integrated out.
 *
 * @param support log evidence of each fit on the scale at which odds are formed
 */
export function driveWays(
  problem: TraceProblem,
  fits: readonly HypothesisFit[],
  support: (fit: HypothesisFit) => number,
): DriveWay[] {
  const vehicle = VEHICLE_PARAMETERS.flatMap(({ name }, i) => (OF_THE_DRIVE.includes(name) ? [] : [{ name, i }]));
  const weight = (fit: HypothesisFit) => Math.log(fit.hypothesis.share) + support(fit);
  const best = Math.max(...fits.map(weight));
  const ofCause = (cause: Cause) => logSumExp(fits.filter((f) => f.hypothesis.cause === cause).map(weight));
  return fits
    .filter((fit) => weight(fit) > best - CARRIED_WITHIN)
    .map((fit): DriveWay => {
      const { cause, variant, share, severities } = fit.hypothesis;
      const size = fit.fit.z.length;
      const keep = [...vehicle.map((v) => v.i), ...severities.map((_, k) => size - severities.length + k)];
      return {
        ...{ cause, variant, share },
        within: weight(fit) - ofCause(cause),
        names: [...vehicle.map((v) => coordinate(v.name, problem.inputs)), ...severities.map((s) => s.name)],
        severities: severities.length,
        mean: Float64Array.from(keep, (i) => fit.fit.z[i]!),
        covariance: part(fit.fit.covariance(), size, keep),
      };
    });
}
