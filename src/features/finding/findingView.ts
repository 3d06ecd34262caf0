import { bisectRight } from 'd3-array';
import type { Trace } from '@/core/base';
import type { Finding } from '@/core/diagnosis';
import type { TraceRecord } from '@/storage/records';

/** One point of the picture; temperatures °C, times minutes. */
export interface CurvePoint {
  readonly minute: number;
  readonly measured: number | null;
  readonly band: readonly [number, number];
  readonly best: number;
  readonly healthy: number;
}

/** Points drawn at most: one per two pixel columns, so that drawing does not hold the page up. */
const MOST_POINTS = 360;

/** Value of a curve between its bins. */
function between(times: Float64Array, values: Float64Array, at: number): number {
  const i = bisectRight(times, at);
  if (i <= 0) return values[0]!;
  if (i >= times.length) return values[times.length - 1]!;
  const f = (at - times[i - 1]!) / (times[i]! - times[i - 1]!);
  return values[i - 1]! + f * (values[i]! - values[i - 1]!);
}

/**
 * Measured samples beside the judged curves. Long logs are thinned by keeping the lowest and highest sample of each
 * stretch, so that spikes stay.
 */
export function curvePoints(trace: Trace, finding: Finding): CurvePoint[] {
  const ect = trace.channels.ect_c;
  const n = ect.length;
  const stretch = Math.max(1, Math.ceil((2 * n) / MOST_POINTS));
  const keep: number[] = [];
  for (let from = 0; from < n; from += stretch) {
    let low = -1;
    let high = -1;
    for (let i = from; i < Math.min(n, from + stretch); i++) {
      if (!Number.isFinite(ect[i]!)) continue;
      if (low < 0 || ect[i]! < ect[low]!) low = i;
      if (high < 0 || ect[i]! > ect[high]!) high = i;
    }
    if (low < 0) continue;
    keep.push(...(low === high ? [low] : [Math.min(low, high), Math.max(low, high)]));
  }
  const { time_s, healthyLow_c, healthyHigh_c, best_c, healthyFit_c } = finding.curves;
  return keep.map((i) => {
    const at = trace.time_s[i]! - trace.time_s[0]!;
    return {
      minute: at / 60,
      measured: ect[i]!,
      band: [between(time_s, healthyLow_c, at), between(time_s, healthyHigh_c, at)],
      best: between(time_s, best_c, at),
      healthy: between(time_s, healthyFit_c, at),
    };
  });
}

/** A curve of a second log, on the trace's time. */
export interface BesideCurve {
  readonly label: string;
  readonly time_s: Float64Array;
  readonly values_c: Float64Array;
}

/** Curves of the second log that lies beside a trace. */
export function besideCurves(record: TraceRecord): BesideCurve[] {
  const { companion } = record;
  if (!companion) return [];
  const { series, alignment } = companion;
  const time_s = series.time_s.map((t) => t + alignment.offset_s);
  return series.columns.map((c) => ({ label: c.header, time_s, values_c: c.values_c }));
}

/** Points of curves beside a drive, within its time, thinned. */
export function besidePoints(curves: readonly BesideCurve[], last_min: number): { minute: number }[] {
  return curves.flatMap(({ time_s, values_c }, n) => {
    const step = Math.max(1, Math.ceil(time_s.length / (MOST_POINTS / 2)));
    const points: { minute: number }[] = [];
    for (let i = 0; i < time_s.length; i += step) {
      const minute = time_s[i]! / 60;
      if (minute >= 0 && minute <= last_min && Number.isFinite(values_c[i]!)) {
        points.push({ minute, [`beside${n}`]: values_c[i]! });
      }
    }
    return points;
  });
}
