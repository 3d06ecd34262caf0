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
