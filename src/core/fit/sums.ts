/** Sum of products. Four sums run side by side: one alone would wait for itself at every addition. */
export function dot(a: Float64Array, b: Float64Array): number {
  let s0 = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  const whole = a.length & ~3;
  for (let k = 0; k < whole; k += 4) {
    s0 += a[k]! * b[k]!;
    s1 += a[k + 1]! * b[k + 1]!;
    s2 += a[k + 2]! * b[k + 2]!;
    s3 += a[k + 3]! * b[k + 3]!;
  }
  for (let k = whole; k < a.length; k++) s0 += a[k]! * b[k]!;
  return s0 + s1 + (s2 + s3);
}

/** Sum of squares. */
export const squared = (z: Float64Array): number => dot(z, z);
