/** Memory of the kernel, four directions at a time, and the curves of a step: AssemblyScript, see twinKernel.ts. */
import * as L from '../layout';

@inline export function head(slot: i32): f64 {
  return load<f64>(<usize>slot << 3);
}
@inline export function pointer(slot: i32): usize {
  return <usize>head(slot);
}
@inline export function at(base: usize, k: i32): f64 {
  return load<f64>(base + (<usize>k << 3));
}
@inline export function entry(base: usize, k: i32): i32 {
  return load<i32>(base + (<usize>k << 2));
}
@inline export function put(base: usize, k: i32, value: f64): void {
  store<f64>(base + (<usize>k << 3), value);
}
@inline export function both(x: f64): v128 {
  return f32x4.splat(<f32>x);
}
@inline export function add(a: v128, b: v128): v128 {
  return f32x4.add(a, b);
}
/** Four numbers of single precision. */
@inline export function vector(base: usize, k: i32): v128 {
  return v128.load(base + (<usize>k << 4));
}
@inline export function mul(a: v128, b: v128): v128 {
  return f32x4.mul(a, b);
}
/** Adds `by` of `v` to what feeds four directions (their place in a row, `d`) of one state. */
@inline export function feed(row: usize, d: usize, v: v128, by: f64): void {
  v128.store(row + d, plus(v128.load(row + d), both(by), v));
}
/** The same for two states, each by its share of `x`. */
@inline export function feed2(d: usize, v: v128, x: f64, row1: usize, by1: f64, row2: usize, by2: f64): void {
  feed(row1, d, v, x * by1);
  feed(row2, d, v, x * by2);
}
/** The same for four states. */
@inline export function feed4(
  d: usize, v: v128, x: f64,
  row1: usize, by1: f64, row2: usize, by2: f64,
  row3: usize, by3: f64, row4: usize, by4: f64,
): void {
  feed2(d, v, x, row1, by1, row2, by2);
  feed2(d, v, x, row3, by3, row4, by4);
}
@inline export function sub(a: v128, b: v128): v128 {
  return f32x4.sub(a, b);
}
@inline export function div(a: v128, b: v128): v128 {
  return f32x4.div(a, b);
}
/** The larger of each two; what is no number stays so in `a`. */
@inline export function largest(a: v128, b: v128): v128 {
  return f32x4.pmax(a, b);
}
@inline export function smallest(a: v128, b: v128): v128 {
  return f32x4.pmin(a, b);
}
/** Between `low` and `high`. */
@inline export function lerp(low: v128, high: v128, part: v128): v128 {
  return plus(low, part, sub(high, low));
}
/** a + x b. */
@inline export function plus(a: v128, x: v128, b: v128): v128 {
  return f32x4.add(a, f32x4.mul(x, b));
}
@inline export function pair(base: usize, along: usize): v128 {
  return v128.load(base + along);
}

export function smoothStep(x: f64): f64 {
  if (!(x > 0)) return 0;
  if (x >= 1) return 1;
  return x * x * (3 - 2 * x);
}

/** The smooth step of four. */
@inline export function smoothSteps(x: v128): v128 {
  const t = smallest(largest(x, both(0)), both(1));
  return mul(mul(t, t), sub(both(3), add(t, t)));
}

/** e to the power of four numbers, to rounding; what no float can hold stops at the end. Source: Moshier, Cephes, expf.c. */
@inline export function exponential(power: v128): v128 {
  const x = smallest(largest(power, both(-87)), both(88));
  const n = f32x4.nearest(mul(x, both(1.44269504088896341)));
  const r = sub(sub(x, mul(n, both(0.693359375))), mul(n, both(-2.12194440e-4)));
  let y = plus(both(1.3981999507e-3), both(1.9875691500e-4), r);
  y = plus(both(8.3334519073e-3), y, r);
  y = plus(both(4.1665795894e-2), y, r);
  y = plus(both(1.6666665459e-1), y, r);
  y = plus(both(5.0000001201e-1), y, r);
  y = add(plus(r, mul(r, r), y), both(1));
  const scale = i32x4.shl(i32x4.add(i32x4.trunc_sat_f32x4_s(n), i32x4.splat(127)), 23);
  return mul(y, scale);
}

/** Slope of the smooth step. */
export function stepSlope(x: f64): f64 {
  return x > 0 && x < 1 ? 6 * x * (1 - x) : 0;
}

/** A table of the drive that is not known. */
@inline export function table(base: usize, row: i32, part: f64): f64 {
  const low = at(base, row);
  return low + (at(base, row + 1) - low) * part;
}

/** Slope of a table in the activity. */
@inline export function tableSlope(base: usize, row: i32, step: f64): f64 {
  return (at(base, row + 1) - at(base, row)) / step;
}

/** Row of a table of the drive for one of the runs, between two rows: speed, ram air, pump, log of fuel. */
@inline export function rowOf(table: usize, row: i32, part: f32): v128 {
  const place = table + (<usize>row << 4);
  return lerp(v128.load(place), v128.load(place, 16), f32x4.splat(part));
}
