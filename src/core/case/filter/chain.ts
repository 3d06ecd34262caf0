import type { DriveWay } from '../../evidence';
import { joinFindings, wandered, type Gaussian } from '../../signal';

/** What a path knows of its vehicle and of the severity of its cause, over named coordinates. */
export interface Known extends Gaussian {
  readonly names: readonly string[];
  /** Coordinates of the severity stand last. */
  readonly severities: number;
  readonly basis: string;
}

/**
 * How much of itself a coordinate keeps from one drive to the next. The reduced model fits the same vehicle a little
 * differently on another drive, so that agreement is not counted as if it were exact. Set on pairs of simulated drives
 * (docs/accuracy.md).
 */
const KEPT = { vehicle: 0.4, severity: 0.6 } as const;

/** What one drive alone tells, in the form of a path's knowledge. */
export const knownFrom = ({ names, severities, mean, covariance }: DriveWay, basis: string): Known => ({
  ...{ names, severities, mean, covariance, basis },
});

/** The same distribution over other coordinates, in their order; those it does not know are standard normal. */
function over(
  names: readonly string[],
  { names: own, mean, covariance }: Omit<Known, 'severities' | 'basis'>,
): Gaussian {
  const at = names.map((name) => own.indexOf(name));
  const n = names.length;
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      const known = at[i]! >= 0 && at[j]! >= 0;
      out[i * n + j] = known ? covariance[at[i]! * own.length + at[j]!]! : i === j ? 1 : 0;
    }
  }
  return { mean: Float64Array.from(at, (k) => (k < 0 ? 0 : mean[k]!)), covariance: out };
}

/** Knowledge of fewer coordinates: the others are integrated out. */
export function without(known: Known, dropped: (name: string, isSeverity: boolean) => boolean): Known {
  const first = known.names.length - known.severities;
  const keep = known.names.filter((name, i) => !dropped(name, i >= first));
  const severities = known.names.filter((name, i) => i >= first && !dropped(name, true)).length;
  return { names: keep, severities, basis: known.basis, ...over(keep, known) };
}

/**
 * Chains a further drive under one hypothesis: what the path knows narrows vehicle and severity, and the drive's
 * evidence counts as it would with that prior.
 *
 * @returns knowledge after the drive, and the logarithm by which its evidence changes against a stranger's drive
 */
export function chained(before: Known, way: DriveWay, basis: string): { readonly known: Known; readonly log: number } {
  const fresh = knownFrom(way, basis);
  if (before.basis !== basis) return { known: fresh, log: 0 };
  const first = (k: Known) => k.names.slice(0, k.names.length - k.severities);
  const severityNames = (k: Known) => k.names.slice(k.names.length - k.severities);
  const vehicle = [...new Set([...first(before), ...first(fresh)])];
  const severity = [...new Set([...severityNames(before), ...severityNames(fresh)])];
  const names = [...vehicle, ...severity];
  const predicted = wandered(over(names, before), (i) => (i < vehicle.length ? KEPT.vehicle : KEPT.severity));
  const { joint, logAgreement } = joinFindings(predicted, over(names, fresh));
  return { known: { names, severities: severity.length, basis, ...joint }, log: logAgreement };
}
