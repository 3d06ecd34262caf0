import equal from 'fast-deep-equal';

const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v) && Object.getPrototypeOf(v) === Object.prototype;

const idOf = (v: unknown): string | null => (isRecord(v) && typeof v.id === 'string' ? v.id : null);
const isSame = (a: unknown, b: unknown): boolean => {
  const id = idOf(a);
  return id === null ? equal(a, b) : id === idOf(b);
};

/** What stands where both touched one value: what came later, or what the change had before. */
type Winner = 'now' | 'before';

/** A list without what a change had added, with what it had taken out, and its things as they were. */
function listBack(
  before: readonly unknown[],
  after: readonly unknown[],
  now: readonly unknown[],
  winner: Winner,
): unknown[] {
  const added = after.filter((a) => !before.some((b) => isSame(a, b)));
  const gone = before.filter((b) => !after.some((a) => isSame(a, b)));
  const kept = now.flatMap((n) => {
    if (added.some((a) => isSame(a, n))) return [];
    const was = before.find((b) => isSame(b, n));
    const became = after.find((a) => isSame(a, n));
    return was !== undefined && became !== undefined ? [revert(was, became, n, winner)] : [n];
  });
  const back = gone.filter((g) => !kept.some((k) => isSame(k, g)));
  return [...kept, ...back];
}

/**
 * Takes one change back out of plain data that may have changed since: what it touched is as it was, what came later
 * stays. Things in lists are known by their `id`, else by being equal.
 *
 * @param before the data before the change, after it, and as they are now
 */
export function revert<T>(before: T, after: T, now: T, winner: Winner = 'now'): T {
  if (equal(now, after)) return before;
  if (equal(before, after)) return now;
  // A list or record that was not there yet was an empty one.
  const was: unknown = before ?? (Array.isArray(after) ? [] : isRecord(after) ? {} : before);
  if (Array.isArray(was) && Array.isArray(after) && Array.isArray(now)) return listBack(was, after, now, winner) as T;
  if (!isRecord(was) || !isRecord(after) || !isRecord(now)) return winner === 'now' ? now : before;
  const out: Record<string, unknown> = { ...now };
  for (const key of new Set([...Object.keys(was), ...Object.keys(after)])) {
    if (equal(was[key], after[key])) continue;
    const value = revert(was[key], after[key], now[key], winner);
    if (value === undefined) delete out[key];
    else out[key] = value;
  }
  return out as T;
}

/**
 * Carries a change over onto data that someone else has changed since it was begun: what it touched is as it made it,
 * what only they touched stays.
 *
 * @param base the data with which the change was begun, what it made of them, and as they are now
 */
export const carried = <T>(base: T, changed: T, now: T): T => revert(changed, base, now, 'before');
