import { interpolateTable } from '../signal';
import type { ReportCurves } from './customerReport';

/** A reading over time, NaN where it is a hole; time from any start. */
export interface ReadingCurve {
  readonly time_s: ArrayLike<number>;
  readonly values: ArrayLike<number>;
}

/** Points of a printed picture: finer than a printer shows on half a page they are not needed. */
const POINTS = 240;
/** A reading is bridged over no more than this, min. */
const BRIDGED_MIN = 1;

interface Table {
  readonly x: number[];
  readonly y: number[];
}

function tableOf({ time_s, values }: ReadingCurve): Table {
  const x: number[] = [];
  const y: number[] = [];
  for (let i = 0; i < time_s.length; i++) {
    if (!Number.isFinite(values[i]!)) continue;
    const minute = (time_s[i]! - time_s[0]!) / 60;
    if (x.length > 0 && minute <= x.at(-1)!) continue;
    x.push(minute);
    y.push(values[i]!);
  }
  return { x, y };
}

function sampled({ x, y }: Table, minutes: readonly number[]): (number | null)[] {
  let at = 0;
  return minutes.map((m) => {
    while (at < x.length && x[at]! < m) at++;
    const near = Math.min(Math.abs((x[at] ?? Infinity) - m), Math.abs((x[at - 1] ?? Infinity) - m));
    return x.length < 2 || near > BRIDGED_MIN ? null : interpolateTable(m, x, y);
  });
}

/** Drives of before and after with the band of a sound vehicle, on one axis of minutes. */
export function reportCurves(curves: {
  readonly before: ReadingCurve | null;
  readonly after: ReadingCurve | null;
  readonly low: ReadingCurve | null;
  readonly high: ReadingCurve | null;
}): ReportCurves {
  const tables = Object.values(curves).map((c) => (c ? tableOf(c) : null));
  const end = Math.max(1, ...tables.map((t) => t?.x.at(-1) ?? 0));
  const minutes = Array.from({ length: POINTS + 1 }, (_, i) => (end * i) / POINTS);
  const [before_c, after_c, soundLow_c, soundHigh_c] = tables.map((t) => (t ? sampled(t, minutes) : null));
  return {
    minutes,
    before_c: before_c ?? null,
    after_c: after_c ?? null,
    soundLow_c: soundLow_c ?? null,
    soundHigh_c: soundHigh_c ?? null,
  };
}
