import { bisectRight } from 'd3-array';
import type { Trace } from '@/core/base';
import { thin } from '@/core/signal';
import type { Finding } from '@/core/judge';
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
  const { time_s, healthyLow_c, healthyHigh_c, best_c, healthyFit_c } = finding.curves;
  return thin(ect, MOST_POINTS).map((i) => {
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
    return thin(values_c, MOST_POINTS / 2)
      .map((i) => ({ minute: time_s[i]! / 60, [`beside${n}`]: values_c[i]! }))
      .filter(({ minute }) => minute >= 0 && minute <= last_min);
  });
}
