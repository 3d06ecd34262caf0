/**
 * Indices of the samples to draw: the lowest and the highest of each stretch, so that a spike never vanishes. For the
 * screen only, never for computation.
 *
 * @param values samples; NaN is missing and left out
 * @param most samples kept at most, about
 * @param from first index looked at
 * @param to index after the last
 * @returns rising indices
 */
export function thin(values: ArrayLike<number>, most: number, from = 0, to = values.length): number[] {
  const stretch = Math.max(1, Math.ceil((2 * (to - from)) / Math.max(2, most)));
  const keep: number[] = [];
  for (let start = from; start < to; start += stretch) {
    let low = -1;
    let high = -1;
    for (let i = start; i < Math.min(to, start + stretch); i++) {
      const v = values[i]!;
      if (!Number.isFinite(v)) continue;
      if (low < 0 || v < values[low]!) low = i;
      if (high < 0 || v > values[high]!) high = i;
    }
    if (low < 0) continue;
    keep.push(Math.min(low, high));
    if (low !== high) keep.push(Math.max(low, high));
  }
  return keep;
}
