import type { RecordedRow } from '@/storage/records';

/** How far a reading must fall below the limit before a further rise counts as a second one, K. */
const SECOND_RISE_K = 2;

/**
 * Whether the alarm stays silent: it was taken note of, and the reading has not fallen below the limit since. A second
 * rise sounds it again.
 *
 * @param quietAt_s time at which it was silenced, s; null when it was not
 */
export function isQuiet(rows: readonly RecordedRow[], quietAt_s: number | null, limit_c: number): boolean {
  if (quietAt_s === null) return false;
  return !rows.some(
    (r) => r.time_s > quietAt_s && r.values.ect_c !== undefined && r.values.ect_c < limit_c - SECOND_RISE_K,
  );
}
