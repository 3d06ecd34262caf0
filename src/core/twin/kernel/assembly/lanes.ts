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
/** Adds to what feeds direction `d` (its place in a row) of one state. */
@inline export function feed(row: usize, d: usize, x: f64): void {
  store<f32>(row + d, load<f32>(row + d) + <f32>x);
}
/** The same for two states, each by its share of `x`. */
@inline export function feed2(d: usize, x: f64, row1: usize, by1: f64, row2: usize, by2: f64): void {
  feed(row1, d, x * by1);
  feed(row2, d, x * by2);
}
/** The same for four states. */
@inline export function feed4(
  d: usize, x: f64,
  row1: usize, by1: f64, row2: usize, by2: f64,
  row3: usize, by3: f64, row4: usize, by4: f64,
): void {
  feed2(d, x, row1, by1, row2, by2);
  feed2(d, x, row3, by3, row4, by4);
}
@inline export function mul(a: v128, b: v128): v128 {
  return f32x4.mul(a, b);
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
