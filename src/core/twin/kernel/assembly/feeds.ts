/**
 * What a constant of a run, or a knot of its heat, feeds: four directions of one state at a time. A constant is moved by
 * none of the directions or by a few, see layout.ts. AssemblyScript, see twinKernel.ts.
 */
import * as L from '../layout';
import { both, entry, plus, pointer, vector } from './lanes';

/** Adds `by` of `v` to what feeds four directions (their place in a row, `d`) of one state. */
@inline export function feed(row: usize, d: usize, v: v128, by: f64): void {
  v128.store(row + d, plus(v128.load(row + d), both(by), v));
}

/** One state moves by `by` for one unit of a constant: feeds it along each direction that moves the constant. */
@inline export function moves1(constant: i32, row: usize, by: f64): void {
  const first = pointer(L.P_FEEDS_FIRST);
  const where = pointer(L.P_FEEDS_WHERE);
  const howMuch = pointer(L.P_FEEDS_VALUE);
  for (let e = entry(first, constant), to = entry(first, constant + 1); e < to; e++)
    feed(row, <usize>entry(where, e), vector(howMuch, e), by);
}

/** Two states move, by their shares of `x`. */
@inline export function moves2(constant: i32, x: f64, row1: usize, by1: f64, row2: usize, by2: f64): void {
  const first = pointer(L.P_FEEDS_FIRST);
  const where = pointer(L.P_FEEDS_WHERE);
  const howMuch = pointer(L.P_FEEDS_VALUE);
  for (let e = entry(first, constant), to = entry(first, constant + 1); e < to; e++) {
    const d = <usize>entry(where, e);
    const v = vector(howMuch, e);
    feed(row1, d, v, x * by1);
    feed(row2, d, v, x * by2);
  }
}

/** Four states move, by their shares of `x`. */
@inline export function moves4(
  constant: i32, x: f64,
  row1: usize, by1: f64, row2: usize, by2: f64,
  row3: usize, by3: f64, row4: usize, by4: f64,
): void {
  moves2(constant, x, row1, by1, row2, by2);
  moves2(constant, x, row3, by3, row4, by4);
}
