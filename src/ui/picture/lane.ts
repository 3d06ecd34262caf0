import { bisectLeft, bisectRight, median, pairs } from 'd3-array';
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
  | { readonly kind: 'moment'; readonly at_s: number }
  | { readonly kind: 'stretch'; readonly from_s: number; readonly to_s: number };

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

/** Points drawn of a curve at most: one per two pixel columns, so that drawing does not hold the page up. */
const MOST_POINTS = 360;
/** A hole between readings: longer than this, and than so many usual steps, s. */
const HOLE_S = 10;
const HOLE_STEPS = 8;

/** A row of the drawn picture: minutes, and the value of each piece under its key. */
export interface LaneRow {
  readonly minute: number;
  readonly [key: string]: number | readonly [number, number];
}

/** A drawn piece of a curve: where its readings have holes, a curve has several. */
export interface Piece {
  readonly key: string;
  readonly curve: Curve;
}

/** Indices of a curve's samples to draw within a range, one beyond each end so that it runs to the edge. */
function drawnOf(time_s: ArrayLike<number>, values: ArrayLike<number>, { from_s, to_s }: Range): number[] {
  const times = time_s as number[];
  const from = Math.max(0, bisectLeft(times, from_s) - 1);
  const to = Math.min(values.length, bisectRight(times, to_s) + 1);
  return thin(values, MOST_POINTS, from, to);
}

/** Longest time between two readings that is no hole, s: channels of one log are polled at different rates. */
function longestStep_s({ time_s, values, logged }: Curve): number {
  if (!logged) return Infinity;
  const times = Array.from(time_s).filter((_, i) => Number.isFinite(values[i]!));
  return Math.max(HOLE_S, HOLE_STEPS * (median(pairs(times), ([a, b]) => b - a) ?? 0));
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

/** The rows and pieces that draw a lane within a range: thinned so that spikes stay, holes of a log kept open. */
export function drawnLane({ curves, bands = [] }: Lane, range: Range): { rows: LaneRow[]; pieces: Piece[] } {
  const rows: LaneRow[] = [];
  const pieces: Piece[] = [];
  for (const [n, curve] of curves.entries()) {
    const longest_s = longestStep_s(curve);
    let before = -1;
    let part = 0;
    for (const i of drawnOf(curve.time_s, curve.values, range)) {
      const opens = before < 0 || isHole(curve, before, i, longest_s);
      if (opens) pieces.push({ key: `curve${n}.${part++}`, curve });
      rows.push({ minute: curve.time_s[i]! / 60, [pieces.at(-1)!.key]: curve.values[i]! });
      before = i;
    }
  }
  for (const [n, band] of bands.entries()) {
    for (const i of drawnOf(band.time_s, band.low, range)) {
      rows.push({ minute: band.time_s[i]! / 60, [`band${n}`]: [band.low[i]!, band.high[i]!] });
    }
  }
  return { rows: rows.sort((a, b) => a.minute - b.minute), pieces };
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
