import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { randomLcg, randomNormal, randomUniform } from 'd3-random';

/** How a distribution is walked. */
export interface WalkOptions {
  /** Steps that are thrown away while the walk finds its stride, and steps that are kept. */
  readonly warmUp: number;
  readonly kept: number;
}

/** Defaults of {@link walk}. */
export const WALK_DEFAULTS: WalkOptions = { warmUp: 1500, kept: 3000 };

/** Steps between two looks at how the walk goes. */
const ADAPT_EVERY = 250;
/** Every so many kept steps one is returned: neighbours are nearly the same. */
const THINNED = 5;

/**
 * Samples of a distribution over a few coordinates by a random walk whose stride follows the spread found so far; the
 * same draws every time, so that a result can be repeated to the last digit. For likelihoods with steps and kinks,
 * where curvature says nothing. Sources: Metropolis et al., J. Chem. Phys. 21 (1953) 1087; Haario et al., Bernoulli 7
 * (2001) 223-242 (the stride, frozen after the warm-up).
 *
 * @param logDensity up to a constant; -Infinity where it cannot be
 * @param start where its density is above 0
 * @param strides first guess of the spread, one per coordinate
 * @returns samples, each of the length of `start`
 */
export function walk(
  logDensity: (x: Float64Array) => number,
  start: readonly number[],
  strides: readonly number[],
  { warmUp, kept }: WalkOptions = WALK_DEFAULTS,
): Float64Array[] {
  const n = start.length;
  const normal = randomNormal.source(randomLcg(0.4321))();
  const uniform = randomUniform.source(randomLcg(0.1234))();
  let here = Float64Array.from(start);
  let log = logDensity(here);
  let root = Matrix.diag([...strides]);
  let scale = 2.4 / Math.sqrt(n);
  const seen: Float64Array[] = [];
  const out: Float64Array[] = [];
  let accepted = 0;
  for (let i = 0; i < warmUp + kept; i++) {
    const z = Array.from({ length: n }, () => normal());
    const next = here.map((x, r) => x + scale * z.reduce((sum, v, c) => sum + root.get(r, c) * v, 0));
    const nextLog = logDensity(next);
    if (Math.log(uniform()) < nextLog - log) {
      here = next;
      log = nextLog;
      accepted++;
    }
    if (i >= warmUp) {
      if ((i - warmUp) % THINNED === 0) out.push(here);
      continue;
    }
    seen.push(here);
    if ((i + 1) % ADAPT_EVERY !== 0) continue;
    // Too few steps taken: shorter ones; too many: longer ones.
    scale *= Math.exp((accepted / ADAPT_EVERY - 0.27) * 1.5);
    accepted = 0;
    root = spreadRoot(seen.slice(seen.length >> 1), strides);
  }
  return out;
}

/** Square root of the covariance of what was seen, kept from collapsing. */
function spreadRoot(seen: readonly Float64Array[], strides: readonly number[]): Matrix {
  const n = strides.length;
  const means = strides.map((_, i) => seen.reduce((sum, x) => sum + x[i]!, 0) / seen.length);
  const covariance = Matrix.zeros(n, n);
  for (const x of seen) {
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) {
        const value = ((x[i]! - means[i]!) * (x[j]! - means[j]!)) / seen.length;
        covariance.set(i, j, covariance.get(i, j) + value);
      }
    }
  }
  for (let i = 0; i < n; i++) covariance.set(i, i, covariance.get(i, i) + (0.02 * strides[i]!) ** 2);
  return new CholeskyDecomposition(covariance).lowerTriangularMatrix;
}
