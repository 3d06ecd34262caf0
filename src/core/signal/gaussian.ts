import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** A normal distribution over coordinates that each are standard normal before anything is known. */
export interface Gaussian {
  readonly mean: Float64Array;
  /** Row by row, symmetric, positive definite. */
  readonly covariance: Float64Array;
}

/** Least eigenvalue kept on a diagonal, so that a nearly certain coordinate does not make a matrix singular. */
const RIDGE = 1e-9;

function cholesky(values: Float64Array, n: number): CholeskyDecomposition {
  const m = Matrix.from1DArray(n, n, values);
  for (let i = 0; i < n; i++) {
    m.set(i, i, m.get(i, i) + RIDGE);
    // Solvers leave the two halves apart by a rounding.
    for (let j = 0; j < i; j++) {
      const middle = 0.5 * (m.get(i, j) + m.get(j, i));
      m.set(i, j, middle);
      m.set(j, i, middle);
    }
  }
  return new CholeskyDecomposition(m);
}

function logDet({ lowerTriangularMatrix: l }: CholeskyDecomposition): number {
  let sum = 0;
  for (let i = 0; i < l.rows; i++) sum += 2 * Math.log(l.get(i, i));
  return sum;
}

/**
 * What is left of a distribution after a while in which every coordinate wandered, keeping `kept` of itself; where all
 * is forgotten stands the standard normal again.
 *
 * @param kept correlation between before and after, 0...1, per coordinate
 */
export function wandered({ mean, covariance }: Gaussian, kept: (index: number) => number): Gaussian {
  const n = mean.length;
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) out[i * n + j] = kept(i) * kept(j) * covariance[i * n + j]!;
    out[i * n + i]! += 1 - kept(i) ** 2;
  }
  return { mean: mean.map((m, i) => kept(i) * m), covariance: out };
}

/**
 * Joins two findings about the same coordinates that were made independently, each from the standard normal:
 * p(x | a, b) ∝ p(x | a) p(x | b) / N(x; 0, 1).
 *
 * @returns the joint distribution, and by how much more often the two agree like this than two strangers would, as a
 * logarithm: log ∫ p(x | a) p(x | b) / N(x; 0, 1) dx. Both in closed form (products of normal densities; e.g. MacKay,
 * Information Theory, Inference, and Learning Algorithms, exercise 24).
 * @throws {RangeError} unless both have the same length
 */
export function joinFindings(a: Gaussian, b: Gaussian): { readonly joint: Gaussian; readonly logAgreement: number } {
  const n = a.mean.length;
  if (b.mean.length !== n) throw new RangeError(`joinFindings: ${n} and ${b.mean.length} coordinates`);
  if (n === 0) return { joint: a, logAgreement: 0 };
  const eye = Matrix.eye(n, n);
  const [ca, cb] = [cholesky(a.covariance, n), cholesky(b.covariance, n)];
  const [pa, pb] = [ca.solve(eye), cb.solve(eye)];
  const [ma, mb] = [Matrix.columnVector(a.mean), Matrix.columnVector(b.mean)];
  const [ha, hb] = [pa.mmul(ma), pb.mmul(mb)];
  const precision = Matrix.add(pa, pb).sub(eye);
  const joined = cholesky(Float64Array.from(precision.to1DArray()), n);
  const h = Matrix.add(ha, hb);
  const mean = joined.solve(h);
  const quadratic = (x: Matrix, y: Matrix): number => x.transpose().mmul(y).get(0, 0);
  const logAgreement =
    -0.5 * (logDet(ca) + logDet(cb) + logDet(joined)) -
    0.5 * (quadratic(ma, ha) + quadratic(mb, hb) - quadratic(mean, h));
  const joint = {
    mean: Float64Array.from(mean.to1DArray()),
    covariance: Float64Array.from(joined.solve(eye).to1DArray()),
  };
  return { joint, logAgreement };
}
