import { bisectRight } from 'd3-array';

/**
 * Straight-line interpolation in a table; outside it the end values hold.
 *
 * @param xs rising abscissae, at least one
 * @param ys values, same length
 */
export function interpolateTable(x: number, xs: readonly number[], ys: readonly number[]): number {
  const i = bisectRight(xs as number[], x);
  if (i <= 0) return ys[0]!;
  if (i >= xs.length) return ys[xs.length - 1]!;
  const f = (x - xs[i - 1]!) / (xs[i]! - xs[i - 1]!);
  return ys[i - 1]! + f * (ys[i]! - ys[i - 1]!);
}

/**
 * Resamples a channel with gaps onto given times, straight lines between present samples, end values held.
 *
 * @param time_s sample times, rising
 * @param values samples, NaN where missing
 * @param at_s times wanted, rising
 * @returns one value per wanted time; all NaN when nothing was present
 */
export function resample(time_s: Float64Array, values: Float64Array, at_s: Float64Array): Float64Array {
  const out = new Float64Array(at_s.length).fill(NaN);
  const n = time_s.length;
  let next = 0;
  while (next < n && !Number.isFinite(values[next]!)) next++;
  if (next === n) return out;
  let prev = next;
  for (let k = 0; k < at_s.length; k++) {
    const t = at_s[k]!;
    while (next < n && time_s[next]! <= t) {
      prev = next++;
      while (next < n && !Number.isFinite(values[next]!)) next++;
    }
    if (next >= n || t <= time_s[prev]!) out[k] = values[prev]!;
    else
      out[k] =
        values[prev]! + ((values[next]! - values[prev]!) * (t - time_s[prev]!)) / (time_s[next]! - time_s[prev]!);
  }
  return out;
}
