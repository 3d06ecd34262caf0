/**
 * Sums of products of many columns with one another, in AssemblyScript: two numbers side by side, four sums at a time.
 * Made by `npm run kernel`.
 */

@inline function row(base: usize, i: i32, length: i32): usize {
  return base + ((<usize>i * <usize>length) << 3);
}
@inline function sumOf(pair: v128): f64 {
  return f64x2.extract_lane(pair, 0) + f64x2.extract_lane(pair, 1);
}

/**
 * Fills the lower half of `out`, count × count by rows, with Σ weight a_i a_j.
 *
 * @param count even
 * @param length of a column, even
 * @param columns one after another
 * @param weighted room for as many
 */
export function gram(count: i32, length: i32, columns: usize, weight: usize, weighted: usize, out: usize): void {
  const end = <usize>length << 3;
  for (let i = 0; i < count; i++) {
    const from = row(columns, i, length);
    const to = row(weighted, i, length);
    for (let k: usize = 0; k < end; k += 16) {
      v128.store(to + k, f64x2.mul(v128.load(from + k), v128.load(weight + k)));
    }
  }
  for (let i = 0; i < count; i += 2) {
    const a0 = row(weighted, i, length);
    const a1 = row(weighted, i + 1, length);
    for (let j = 0; j <= i; j += 2) {
      const b0 = row(columns, j, length);
      const b1 = row(columns, j + 1, length);
      let s00 = f64x2.splat(0);
      let s01 = s00;
      let s10 = s00;
      let s11 = s00;
      for (let k: usize = 0; k < end; k += 16) {
        const x0 = v128.load(a0 + k);
        const x1 = v128.load(a1 + k);
        const y0 = v128.load(b0 + k);
        const y1 = v128.load(b1 + k);
        s00 = f64x2.add(s00, f64x2.mul(x0, y0));
        s01 = f64x2.add(s01, f64x2.mul(x0, y1));
        s10 = f64x2.add(s10, f64x2.mul(x1, y0));
        s11 = f64x2.add(s11, f64x2.mul(x1, y1));
      }
      const place = out + ((<usize>i * <usize>count + <usize>j) << 3);
      const below = place + (<usize>count << 3);
      store<f64>(place, sumOf(s00));
      store<f64>(place, sumOf(s01), 8);
      store<f64>(below, sumOf(s10));
      store<f64>(below, sumOf(s11), 8);
    }
  }
}
