/** Means of a sampled signal in equal bins of time. */
export interface BinMeans {
  /** Mean per bin; NaN where a bin holds no sample. */
  readonly mean: Float64Array;
  /** Samples per bin. */
  readonly count: Int32Array;
}

/**
 * Averages present samples in bins of `width_s`, bin k covering [k·width, (k+1)·width).
 *
 * @param time_s times from 0, rising
 * @param values samples; NaN is skipped
 */
export function binMeans(time_s: Float64Array, values: Float64Array, width_s: number, bins: number): BinMeans {
  const mean = new Float64Array(bins);
  const count = new Int32Array(bins);
  for (let i = 0; i < time_s.length; i++) {
    const v = values[i]!;
    const k = Math.floor(time_s[i]! / width_s);
    if (!Number.isFinite(v) || k < 0 || k >= bins) continue;
    mean[k]! += v;
    count[k]!++;
  }
  for (let k = 0; k < bins; k++) mean[k] = count[k]! > 0 ? mean[k]! / count[k]! : NaN;
  return { mean, count };
}
