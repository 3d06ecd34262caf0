/**
 * Turns correlated residuals into independent ones. Residuals of a reduced model are a slowly wandering discrepancy
 * (Ornstein-Uhlenbeck) plus white noise; a scalar Kalman filter takes the predictable part out, in linear time.
 * Source: Durbin & Koopman, Time Series Analysis by State Space Methods, ch. 4 (innovations form).
 */

/** What the residuals are made of. */
export interface NoiseModel {
  /** Stationary standard deviation of the wandering discrepancy, K. */
  readonly discrepancySd_k: number;
  /** Its correlation time, s. */
  readonly correlation_s: number;
  /** Discrepancy already there at the first sample, K. */
  readonly startSd_k: number;
  /** White noise per bin, K. */
  readonly whiteSd_k: number;
}

/** Precomputed filter for one pattern of missing bins. */
export interface Whitener {
  /** Present bins. */
  readonly count: number;
  /** Sum of the logarithms of the innovation standard deviations. */
  readonly logSd: number;
  /** Whitens `residual` (one entry per bin; absent bins are ignored) into `out`; absent bins become 0. */
  readonly apply: (residual: Float64Array, out: Float64Array) => void;
  /** The same for columns without gaps that lie one after another in `columns`, one into each of `outs`. */
  readonly applyToColumns: (columns: Float64Array, outs: readonly Float64Array[]) => void;
}

/**
 * Builds the filter.
 *
 * @param present 1 where a bin holds a measurement, else 0
 * @param bin_s width of a bin, s
 */
export function makeWhitener(present: Uint8Array, bin_s: number, noise: NoiseModel): Whitener {
  const n = present.length;
  const phi = Math.exp(-bin_s / noise.correlation_s);
  const stationary = noise.discrepancySd_k ** 2;
  const white = noise.whiteSd_k ** 2;
  const gain = new Float64Array(n);
  const inverseSd = new Float64Array(n);
  let variance = noise.startSd_k ** 2;
  let logSd = 0;
  let count = 0;
  for (let k = 0; k < n; k++) {
    if (present[k]) {
      const f = variance + white;
      gain[k] = variance / f;
      inverseSd[k] = 1 / Math.sqrt(f);
      logSd += 0.5 * Math.log(f);
      variance *= 1 - gain[k]!;
      count++;
    }
    variance = phi * phi * variance + stationary * (1 - phi * phi);
  }
  const apply = (residual: Float64Array, out: Float64Array): void => {
    let mean = 0;
    for (let k = 0; k < n; k++) {
      if (present[k]) {
        const e = residual[k]! - mean;
        out[k] = e * inverseSd[k]!;
        mean += gain[k]! * e;
      } else out[k] = 0;
      mean *= phi;
    }
  };
  /** Where nothing was measured gain and weight are 0: no branch is needed. Two go side by side, each waits for itself. */
  const applyToTwo = (
    columns: Float64Array,
    at: number,
    next: number,
    out: Float64Array,
    outNext: Float64Array,
  ): void => {
    let mean = 0;
    let meanNext = 0;
    for (let k = 0; k < n; k++) {
      const g = gain[k]!;
      const weight = inverseSd[k]!;
      const e = columns[at + k]! - mean;
      const eNext = columns[next + k]! - meanNext;
      out[k] = e * weight;
      outNext[k] = eNext * weight;
      mean = (mean + g * e) * phi;
      meanNext = (meanNext + g * eNext) * phi;
    }
  };
  const applyToColumns = (columns: Float64Array, outs: readonly Float64Array[]): void => {
    for (let i = 0; i < outs.length; i += 2) {
      const next = Math.min(i + 1, outs.length - 1);
      applyToTwo(columns, i * n, next * n, outs[i]!, outs[next]!);
    }
  };
  return { count, logSd, apply, applyToColumns };
}
