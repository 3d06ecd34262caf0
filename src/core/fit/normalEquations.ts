import { gramOf } from './kernel/gram';

/** Student-t loss summed over whitened residuals, scaled so that a small residual costs its square. */
export function robustLoss(e: Float64Array, nu: number): number {
  let sum = 0;
  for (const r of e) sum += Math.log1p((r * r) / nu);
  return (nu + 1) * sum;
}

/** Gauss-Newton curvature JᵀWJ + I and gradient over the active parameters. */
export function normalEquations(
  jacobian: readonly Float64Array[],
  e: Float64Array,
  zActive: Float64Array,
  nu: number,
): { hessian: Float64Array; gradient: Float64Array } {
  const n = jacobian.length;
  const weight = e.map((r) => (nu + 1) / (nu + r * r));
  const hessian = new Float64Array(n * n);
  const gradient = Float64Array.from(zActive);
  const { width, sums } = gramOf([...jacobian, e], weight);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) hessian[i * n + j] = hessian[j * n + i] = sums[i * width + j]!;
    hessian[i * n + i]! += 1;
    gradient[i]! += sums[n * width + i]!;
  }
  return { hessian, gradient };
}
