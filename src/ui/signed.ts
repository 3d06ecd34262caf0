/** A difference with its sign; without one where it rounds to nothing. */
export function signed(value: number, digits = 1): string {
  const size = Math.abs(value).toFixed(digits);
  if (Number(size) === 0) return size;
  return `${value < 0 ? '−' : '+'}${size}`;
}
