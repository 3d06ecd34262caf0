/** Log density of some errors together, up to no constant: what is left after a pattern was taken off. */
export type JointLog = (residuals: readonly number[]) => number;

const LOG_2PI = Math.log(2 * Math.PI);
const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);

/**
 * Density of errors of which a part is the same in all of them: a thermometer's bias, the scatter of a part about its
 * curve. Covariance: diag(sd²) + Σ u uᵀ over the shared parts, by the matrix determinant lemma and the
 * Sherman-Morrison formula, one part after the other (Golub & Van Loan, Matrix Computations, 2.1.4).
 *
 * @param sds independent part of each error, above 0
 * @param shared for each shared part how much of one standard deviation of it stands in each error
 */
export function sharedGaussian(sds: readonly number[], shared: readonly (readonly number[])[]): JointLog {
  const n = sds.length;
  const precision = sds.map((sd) => 1 / (sd * sd));
  let logDet = sds.reduce((sum, sd) => sum + 2 * Math.log(sd), 0);
  // For each part: its loading through the inverse so far, and what it takes off the square.
  const steps: { readonly solved: readonly number[]; readonly scale: number }[] = [];
  const solve = (v: readonly number[]): number[] => {
    const out = v.map((x, i) => x * precision[i]!);
    for (const { solved, scale } of steps) {
      const by = scale * dot(solved, v);
      for (let i = 0; i < n; i++) out[i]! -= by * solved[i]!;
    }
    return out;
  };
  for (const u of shared) {
    const solved = solve(u);
    const gain = 1 + dot(u, solved);
    logDet += Math.log(gain);
    steps.push({ solved, scale: 1 / gain });
  }
  return (residuals) => {
    let square = residuals.reduce((sum, r, i) => sum + r * r * precision[i]!, 0);
    for (const { solved, scale } of steps) square -= scale * dot(solved, residuals) ** 2;
    return -0.5 * (square + logDet + n * LOG_2PI);
  };
}
