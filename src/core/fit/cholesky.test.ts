import fc from 'fast-check';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { choleskyFactor, choleskySolve, logDeterminant, solveUpper } from './cholesky';

/** B Bᵀ + I of random B: always positive definite. */
const matrices = fc.integer({ min: 1, max: 9 }).chain((n) =>
  fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: n * n, maxLength: n * n }).map((values) => {
    const b = Matrix.from1DArray(n, n, values);
    return { n, a: Float64Array.from(b.mmul(b.transpose()).add(Matrix.eye(n)).to1DArray()) };
  }),
);

describe('flat Cholesky', () => {
  it('agrees with the matrix library on factor, solution and determinant', () => {
    fc.assert(
      fc.property(matrices, ({ n, a }) => {
        const theirs = new CholeskyDecomposition(Matrix.from1DArray(n, n, a));
        const lower = choleskyFactor(a, n)!;
        const b = Float64Array.from({ length: n }, (_, i) => Math.sin(i + 1));
        const x = choleskySolve(lower, n, b);
        const y = theirs.solve(Matrix.columnVector(Array.from(b)));
        let logDet = 0;
        for (let i = 0; i < n; i++) {
          logDet += 2 * Math.log(theirs.lowerTriangularMatrix.get(i, i));
          expect(x[i]!).toBeCloseTo(y.get(i, 0), 8);
        }
        expect(logDeterminant(lower, n)).toBeCloseTo(logDet, 8);
      }),
    );
  });

  it('solves the transposed factor alone', () => {
    const lower = Float64Array.of(2, 0, 1, 3);
    expect(Array.from(solveUpper(lower, 2, Float64Array.of(4, 6)))).toEqual([1, 2]);
  });

  it('says where a matrix is not positive definite', () => {
    expect(choleskyFactor(Float64Array.of(1, 2, 2, 1), 2)).toBeNull();
    expect(choleskyFactor(Float64Array.of(NaN), 1)).toBeNull();
  });
});
