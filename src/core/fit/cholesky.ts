/**
 * Lower triangular factor L of a symmetric positive definite matrix, A = L Lᵀ, both flat and row by row. Written out
 * here, not taken from the matrix library: a judgement factors some thousand small matrices, and objects cost an eighth
 * of its time (docs/decisions/0021).
 * Source: Golub & Van Loan, Matrix Computations, algorithm 4.2.1.
 *
 * @param a n × n, row by row; only its lower half is read
 * @returns null where the matrix is not positive definite to rounding
 */
export function choleskyFactor(a: Float64Array, n: number): Float64Array | null {
  const lower = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      // Two sums side by side: one alone would wait for itself at every step.
      let even = 0;
      let odd = 0;
      let p = i * n;
      let q = j * n;
      const end = p + (j & ~1);
      for (; p < end; p += 2, q += 2) {
        even += lower[p]! * lower[q]!;
        odd += lower[p + 1]! * lower[q + 1]!;
      }
      if (j & 1) even += lower[p]! * lower[q]!;
      const sum = a[i * n + j]! - (even + odd);
      if (i !== j) lower[i * n + j] = sum / lower[j * n + j]!;
      else if (sum > 0) lower[i * n + i] = Math.sqrt(sum);
      else return null;
    }
  }
  return lower;
}

/** Log determinant of L Lᵀ. */
export function logDeterminant(lower: Float64Array, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += 2 * Math.log(lower[i * n + i]!);
  return sum;
}

/** Solves Lᵀ x = b. */
export function solveUpper(lower: Float64Array, n: number, b: Float64Array): Float64Array {
  const x = Float64Array.from(b);
  for (let i = n - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let j = i + 1; j < n; j++) sum -= lower[j * n + i]! * x[j]!;
    x[i] = sum / lower[i * n + i]!;
  }
  return x;
}

/** Solves L Lᵀ x = b. */
export function choleskySolve(lower: Float64Array, n: number, b: Float64Array): Float64Array {
  const y = Float64Array.from(b);
  for (let i = 0; i < n; i++) {
    let sum = y[i]!;
    for (let j = 0; j < i; j++) sum -= lower[i * n + j]! * y[j]!;
    y[i] = sum / lower[i * n + i]!;
  }
  return solveUpper(lower, n, y);
}
