/** A smooth curve through points that rises and falls only where they do. */
export interface MonotoneCubic {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Slope at each point. */
  readonly slopes: readonly number[];
}

/**
 * Builds the curve. Source: Fritsch & Butland, SIAM J. Sci. Stat. Comput. 5 (1984) 300-304 (weighted harmonic means).
 *
 * @param xs strictly rising, two or more
 * @param ys same length
 * @throws {RangeError} if the abscissae do not rise
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): MonotoneCubic {
  const n = xs.length;
  if (n < 2 || ys.length !== n) throw new RangeError(`monotoneCubic: two points or more needed, got ${n}`);
  const widths = xs.slice(1).map((x, i) => x - xs[i]!);
  const wrong = widths.findIndex((w) => !(w > 0));
  if (wrong >= 0) throw new RangeError(`monotoneCubic: abscissae must rise, got ${xs[wrong]}, ${xs[wrong + 1]}`);
  const secants = widths.map((w, i) => (ys[i + 1]! - ys[i]!) / w);
  const slopes = xs.map((_, i) => {
    if (i === 0) return secants[0]!;
    if (i === n - 1) return secants[n - 2]!;
    const [before, after] = [secants[i - 1]!, secants[i]!];
    if (before * after <= 0) return 0;
    const [w1, w2] = [2 * widths[i]! + widths[i - 1]!, widths[i]! + 2 * widths[i - 1]!];
    return (w1 + w2) / (w1 / before + w2 / after);
  });
  return { xs, ys, slopes };
}

/** Value on the curve; outside it the end values hold. Exactly the given value at a point. */
export function cubicAt({ xs, ys, slopes }: MonotoneCubic, x: number): number {
  const last = xs.length - 1;
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[last]!) return ys[last]!;
  let i = 1;
  while (xs[i]! < x) i++;
  if (xs[i] === x) return ys[i]!;
  const width = xs[i]! - xs[i - 1]!;
  const t = (x - xs[i - 1]!) / width;
  const rest = 1 - t;
  return (
    rest * rest * ((1 + 2 * t) * ys[i - 1]! + t * width * slopes[i - 1]!) +
    t * t * ((3 - 2 * t) * ys[i]! - rest * width * slopes[i]!)
  );
}
