/**
 * Standard normal distribution function.
 * Source: Abramowitz & Stegun, Handbook of Mathematical Functions, 7.1.26 (error below 1.5e-7).
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-x * x);
  return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}

/** Rises smoothly from 0 to 1 as x goes from 0 to 1 (cubic), flat outside. */
export function smoothStep(x: number): number {
  if (!(x > 0)) return 0;
  if (x >= 1) return 1;
  return x * x * (3 - 2 * x);
}

/** log(sum(exp(x))) without overflow; -Infinity for an empty list. */
export function logSumExp(xs: readonly number[]): number {
  const top = Math.max(...xs);
  if (!Number.isFinite(top)) return -Infinity;
  let sum = 0;
  for (const x of xs) sum += Math.exp(x - top);
  return top + Math.log(sum);
}

/**
 * Inverse of the standard normal distribution function.
 * Source: P. J. Acklam's rational approximation, relative error below 1.2e-9.
 *
 * @param p probability, above 0 and below 1
 */
export function inverseNormal(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
  ] as const;
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572] as const;
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ] as const;
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416] as const;
  if (p < 0.02425 || p > 0.97575) {
    const q = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
    const x =
      (((((c[0] * q + c[1]) * q + c[2]) * q + c[3]) * q + c[4]) * q + c[5]) /
      ((((d[0] * q + d[1]) * q + d[2]) * q + d[3]) * q + 1);
    return p < 0.5 ? x : -x;
  }
  const q = p - 0.5;
  const r = q * q;
  return (
    ((((((a[0] * r + a[1]) * r + a[2]) * r + a[3]) * r + a[4]) * r + a[5]) * q) /
    (((((b[0] * r + b[1]) * r + b[2]) * r + b[3]) * r + b[4]) * r + 1)
  );
}

/**
 * Logarithm of Student's t density with 4 degrees of freedom: a normal core, and tails for the reading that went wrong.
 *
 * @param scale about the standard deviation of the core
 */
export const studentLog = (x: number, scale: number): number =>
  Math.log(0.375 / scale) - 2.5 * Math.log1p((x / scale) ** 2 / 4);

/** Density of a value that lies anywhere between two bounds and is read with a normal error. */
export const blurredUniform = (x: number, from: number, to: number, sd: number): number =>
  (normalCdf((to - x) / sd) - normalCdf((from - x) / sd)) / (to - from);
