import { median } from 'd3-array';
import { countPresent, type Trace } from '../../base';

/**
 * Median of another sensor minus the reading: over the first seconds, or, below 0, once both moved. Null without it.
 */
export function medianDifference(
  trace: Trace,
  name: 'gauge_c' | 'ect2_c',
  bad: Uint8Array,
  fromStart_s: number,
): number | null {
  const other = trace.channels[name];
  if (!other || countPresent(other) < 5) return null;
  const ect = trace.channels.ect_c;
  const end = trace.time_s.at(-1)! - trace.time_s[0]!;
  const differences: number[] = [];
  let held = NaN;
  for (let i = 0; i < ect.length; i++) {
    if (Number.isFinite(ect[i]!) && !bad[i]) held = ect[i]!;
    const t = trace.time_s[i]! - trace.time_s[0]!;
    const inside = fromStart_s >= 0 ? t <= fromStart_s : t > 0.4 * end;
    if (inside && Number.isFinite(other[i]!) && Number.isFinite(held)) differences.push(other[i]! - held);
  }
  return differences.length >= 2 ? median(differences)! : null;
}

/** How long a stretch must be over which a second sensor lags, samples taken together. */
const LAG_OVER = 0.05;

/** Furthest that the second sensor falls behind for a twentieth of the drive, beyond its difference at the start, K. */
export function lagOfSecond(trace: Trace, bad: Uint8Array): number | null {
  const other = trace.channels.ect2_c;
  const start = medianDifference(trace, 'ect2_c', bad, 60);
  if (!other || start === null) return null;
  const behind: number[] = [];
  let held = NaN;
  for (let i = 0; i < other.length; i++) {
    const v = trace.channels.ect_c[i]!;
    if (Number.isFinite(v) && !bad[i]) held = v;
    if (Number.isFinite(other[i]!) && Number.isFinite(held)) behind.push(held - other[i]! + start);
  }
  behind.sort((a, b) => b - a);
  return behind[Math.floor(LAG_OVER * behind.length)] ?? null;
}
