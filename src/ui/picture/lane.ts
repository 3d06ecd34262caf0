import { bisectLeft, bisectRight, median, range } from 'd3-array';
import { thin } from '@/core/signal';

/** How a curve is drawn. */
export interface Look {
  readonly label: string;
  readonly colour: string;
  readonly width?: number;
  readonly dash?: string;
}

/** A curve over the time of a drive; NaN is missing. */
export interface Curve extends Look {
  /** s from the start of the drive, rising. */
  readonly time_s: ArrayLike<number>;
  readonly values: ArrayLike<number>;
  /** True for readings: a hole in their time is drawn as one. Modelled curves have none. */
  readonly logged?: boolean;
}

/** What lies between two curves of one time. */
export interface Band {
  readonly label: string;
  readonly colour: string;
  readonly time_s: ArrayLike<number>;
  readonly low: ArrayLike<number>;
  readonly high: ArrayLike<number>;
}

/** Something pointed at: a level, a moment, or a stretch of time. */
export type Mark =
  | { readonly kind: 'level'; readonly value: number; readonly colour?: string; readonly bold?: boolean }
  | { readonly kind: 'moment'; readonly at_s: number; readonly label?: string; readonly thin?: boolean }
  | { readonly kind: 'stretch'; readonly from_s: number; readonly to_s: number; readonly colour?: string };

/** The stretch of a drive that a picture shows, s. */
export interface Range {
  readonly from_s: number;
  readonly to_s: number;
}

/** What one lane of a picture shows, back to front. */
export interface Lane {
  readonly bands?: readonly Band[];
  readonly curves: readonly Curve[];
  readonly marks?: readonly Mark[];
}

/** Points drawn of a curve at most: the lowest and highest of about every pixel column. */
const MOST_POINTS = 1400;
/** A hole between readings: longer than this, and than so many usual steps, s. */
const HOLE_S = 10;
const HOLE_STEPS = 8;

/** A drawn piece of a curve: where its readings have holes, a curve has several. */
export interface Piece {
  readonly key: string;
  readonly curve: Curve;
  /** Samples that are drawn, rising. */
  readonly indices: readonly number[];
}

/** What is drawn of a lane. */
export interface DrawnLane {
  readonly pieces: readonly Piece[];
  readonly bands: readonly { readonly band: Band; readonly indices: readonly number[] }[];
}

/** Indices of a curve's samples to draw within a range, one beyond each end so that it runs to the edge. */
function drawnOf(time_s: ArrayLike<number>, values: ArrayLike<number>, { from_s, to_s }: Range): number[] {
  const times = time_s as number[];
  const from = Math.max(0, bisectLeft(times, from_s) - 1);
  const to = Math.min(values.length, bisectRight(times, to_s) + 1);
  return thin(values, MOST_POINTS, from, to);
}

/** Steps looked at to know the usual one: a log of a day at 10 Hz has a million. */
const STEPS_LOOKED_AT = 2000;

/** Times between a reading and the next, s, at places spread evenly over a log. */
function someSteps_s(time_s: ArrayLike<number>, values: ArrayLike<number>): number[] {
  const reading = (from: number): number => {
    let i = from;
    while (i < values.length && !Number.isFinite(values[i]!)) i++;
    return i;
  };
  return range(0, values.length, Math.max(1, values.length / STEPS_LOOKED_AT)).flatMap((at) => {
    const first = reading(Math.floor(at));
    const next = reading(first + 1);
    return next < values.length ? [time_s[next]! - time_s[first]!] : [];
  });
}

const longestSteps = new WeakMap<Curve, number>();

/**
 * Longest time between two readings that is no hole, s: channels of one log are polled at different rates. Found once
 * per curve: it takes the whole drive, and a picture is drawn again at every step of a zoom.
 */
function longestStep_s(curve: Curve): number {
  const { time_s, values, logged } = curve;
  if (!logged) return Infinity;
  const known = longestSteps.get(curve);
  if (known !== undefined) return known;
  const found = Math.max(HOLE_S, HOLE_STEPS * (median(someSteps_s(time_s, values)) ?? 0));
  longestSteps.set(curve, found);
  return found;
}

/** True where no reading at all lies between two drawn ones for longer than a step may be. */
function isHole({ time_s, values }: Curve, a: number, b: number, longest_s: number): boolean {
  if (time_s[b]! - time_s[a]! <= longest_s) return false;
  let last = time_s[a]!;
  for (let i = a + 1; i <= b; i++) {
    if (!Number.isFinite(values[i]!)) continue;
    if (time_s[i]! - last > longest_s) return true;
    last = time_s[i]!;
  }
  return false;
}

/** What draws a lane within a range: thinned so that spikes stay, holes of a log kept open. */
export function drawnLane({ curves, bands = [] }: Lane, range: Range): DrawnLane {
  const pieces: Piece[] = [];
  for (const [n, curve] of curves.entries()) {
    const longest_s = longestStep_s(curve);
    let before = -1;
    let part = 0;
    let indices: number[] = [];
    for (const i of drawnOf(curve.time_s, curve.values, range)) {
      if (before < 0 || isHole(curve, before, i, longest_s)) {
        indices = [];
        pieces.push({ key: `curve${n}.${part++}`, curve, indices });
      }
      indices.push(i);
      before = i;
    }
  }
  return { pieces, bands: bands.map((band) => ({ band, indices: drawnOf(band.time_s, band.low, range) })) };
}

/** Lowest and highest value of what is drawn; null where nothing is. */
export function drawnHeights({ pieces, bands }: DrawnLane): { readonly from: number; readonly to: number } | null {
  let from = Infinity;
  let to = -Infinity;
  const take = (v: number): void => {
    if (v < from) from = v;
    if (v > to) to = v;
  };
  for (const { curve, indices } of pieces) for (const i of indices) take(curve.values[i]!);
  for (const { band, indices } of bands) {
    for (const i of indices) {
      take(band.low[i]!);
      take(band.high[i]!);
    }
  }
  return from <= to ? { from, to } : null;
}

/** The whole time of a lane's curves and bands. */
export function wholeRange({ curves, bands = [] }: Lane): Range {
  const times = [...curves, ...bands].map((c) => c.time_s).filter((t) => t.length > 0);
  return {
    from_s: Math.min(0, ...times.map((t) => t[0]!)),
    to_s: Math.max(0, ...times.map((t) => t[t.length - 1]!)),
  };
}

/** The present value of a curve nearest to a time; null where none is within the time given. */
export function readAt({ time_s, values }: Pick<Curve, 'time_s' | 'values'>, at_s: number, within_s: number) {
  const after = bisectLeft(time_s as number[], at_s);
  let best: number | null = null;
  const look = (from: number, step: 1 | -1): void => {
    for (let i = from; i >= 0 && i < time_s.length && Math.abs(time_s[i]! - at_s) <= within_s; i += step) {
      if (!Number.isFinite(values[i]!)) continue;
      if (best === null || Math.abs(time_s[i]! - at_s) < Math.abs(time_s[best]! - at_s)) best = i;
      return;
    }
  };
  look(after - 1, -1);
  look(after, 1);
  return best === null ? null : values[best]!;
}
