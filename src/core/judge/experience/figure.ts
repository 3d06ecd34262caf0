/**
 * Figures that describe a judged drive, by name. NaN: not seen on this drive, or not logged. The order of the names is
 * the order of the inputs of the learned layer.
 */
export type Figures = Readonly<Record<string, number>>;

/** Mean over the entries that hold; NaN for none. */
export function meanWhere(values: Float64Array, holds: (k: number) => boolean): number {
  let sum = 0;
  let n = 0;
  for (let k = 0; k < values.length; k++) {
    if (!Number.isFinite(values[k]!) || !holds(k)) continue;
    sum += values[k]!;
    n++;
  }
  return n > 0 ? sum / n : NaN;
}

/** Standard deviation over the entries that hold; NaN for fewer than two. */
export function sdWhere(values: Float64Array, holds: (k: number) => boolean): number {
  const mean = meanWhere(values, holds);
  let sum = 0;
  let n = 0;
  for (let k = 0; k < values.length; k++) {
    if (!Number.isFinite(values[k]!) || !holds(k)) continue;
    sum += (values[k]! - mean) ** 2;
    n++;
  }
  return n > 1 ? Math.sqrt(sum / (n - 1)) : NaN;
}

/** Slope of y on x over the entries that hold, by least squares; NaN where x does not vary by `leastSd`. */
export function slopeWhere(y: Float64Array, x: Float64Array, holds: (k: number) => boolean, leastSd: number): number {
  const both = (k: number) => holds(k) && Number.isFinite(y[k]!) && Number.isFinite(x[k]!);
  const mx = meanWhere(x, both);
  const my = meanWhere(y, both);
  let sxx = 0;
  let sxy = 0;
  let n = 0;
  for (let k = 0; k < y.length; k++) {
    if (!both(k)) continue;
    sxx += (x[k]! - mx) ** 2;
    sxy += (x[k]! - mx) * (y[k]! - my);
    n++;
  }
  return n >= 8 && Math.sqrt(sxx / n) >= leastSd ? sxy / sxx : NaN;
}

/** Smallest and largest of the entries that hold; NaN for none. */
export function rangeWhere(values: Float64Array, holds: (k: number) => boolean): { low: number; high: number } {
  let low = NaN;
  let high = NaN;
  for (let k = 0; k < values.length; k++) {
    const v = values[k]!;
    if (!Number.isFinite(v) || !holds(k)) continue;
    if (!(v >= low)) low = v;
    if (!(v <= high)) high = v;
  }
  return { low, high };
}
