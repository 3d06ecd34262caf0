import { bisector } from 'd3-array';
import { fail, ok, type Result } from '../../base';
import { CleaningLog, pickRows, type CleanRows } from './cleaning';
import { importError, type ImportError } from '../importError';
import { middleStep_s } from '../columns/resolveTime';
import { LineList } from '../table/lineList';

/** Displaced rows in a row up to this many are stragglers, not a clock that was set. */
const STRAGGLERS = 3;
/** Step of the coolant across a clock that was set, K: more, and the rows are of another drive. */
const SAME_DRIVE_K = 6;
/** Longest hole between pieces of one log that stand in the wrong order, s. */
const LARGEST_JOINT_S = 60;
/** Share of displaced rows above which they are no stragglers, unless sorting smooths the coolant to this share. */
const MOST_STRAGGLERS = 0.2;
const SMOOTHED_TO = 0.5;
/** Clocks set more often than this in one log are no clocks. */
const MOST_JUMPS = 12;
/** A hole longer than this with a warm engine that has not cooled at all is a clock set forward, s and K. */
const FORWARD_JUMP_S = 600;
const NOT_COOLED_K = 2;
const WARM_C = 55;

export const isSorted = (time_s: Float64Array): boolean => {
  for (let i = 1; i < time_s.length; i++) if (time_s[i]! < time_s[i - 1]!) return false;
  return true;
};

/** Rows of a longest run that never steps back, as a mask. Source: Fredman, Discrete Mathematics 11 (1975) 29-35. */
export function inOrder(time_s: Float64Array): Uint8Array {
  const n = time_s.length;
  if (isSorted(time_s)) return new Uint8Array(n).fill(1);
  const tails: number[] = [];
  const before = new Int32Array(n).fill(-1);
  for (let i = 0; i < n; i++) {
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if (time_s[tails[mid]!]! <= time_s[i]!) low = mid + 1;
      else high = mid;
    }
    if (low > 0) before[i] = tails[low - 1]!;
    tails[low] = i;
  }
  const mask = new Uint8Array(n);
  for (let i = tails.at(-1) ?? -1; i >= 0; i = before[i]!) mask[i] = 1;
  return mask;
}

const coolantNear = (rows: CleanRows, from: number, step: 1 | -1): number => {
  const ect = rows.channels.ect_c!;
  for (let i = from; i >= 0 && i < ect.length && Math.abs(i - from) < 60; i += step) {
    if (Number.isFinite(ect[i]!)) return ect[i]!;
  }
  return NaN;
};

function isNewestFirst(rows: CleanRows): boolean {
  const { time_s } = rows;
  let down = 0;
  for (let i = 1; i < time_s.length; i++) if (time_s[i]! < time_s[i - 1]!) down++;
  return time_s.length > 2 && down > 0.9 * (time_s.length - 1);
}

/** Where in the file the displaced block [from, to) broke away: the largest step back at its edges or inside. */
function backStepIn(time_s: Float64Array, from: number, to: number): number {
  let at = from;
  let most = 0;
  for (let i = Math.max(1, from); i <= Math.min(time_s.length - 1, to); i++) {
    const back = time_s[i - 1]! - time_s[i]!;
    if (back > most) {
      most = back;
      at = i;
    }
  }
  return at;
}

/** True when a displaced block, put where its times belong, joins what stands there: pieces of one log in wrong order. */
function fitsWhereSorted(rows: CleanRows, ordered: readonly number[], block: { from: number; to: number }): boolean {
  const { time_s } = rows;
  const byTime = bisector((i: number) => time_s[i]!);
  const before = ordered[byTime.right(ordered, time_s[block.from]!) - 1];
  const after = ordered[byTime.left(ordered, time_s[block.to - 1]!)];
  const joins = (a: number | undefined, b: number | undefined): boolean =>
    a === undefined ||
    b === undefined ||
    (time_s[b]! - time_s[a]! < LARGEST_JOINT_S &&
      Math.abs(coolantNear(rows, a, -1) - coolantNear(rows, b, 1)) <= SAME_DRIVE_K);
  return joins(before, block.from) && joins(block.to - 1, after);
}

/** A displaced block that overlaps times already covered with other readings: or stands far from all others: there the clock was set back. */
function findBackJump(rows: CleanRows, mask: Uint8Array): number | null {
  const { time_s } = rows;
  const ect = rows.channels.ect_c!;
  const ordered = Array.from(mask, (m, i) => (m ? i : -1)).filter((i) => i >= 0);
  const at = new Map(ordered.map((i) => [time_s[i]!, i]));
  for (let from = 0; from < mask.length; from++) {
    if (mask[from]) continue;
    let to = from;
    while (to < mask.length && !mask[to]) to++;
    if (to - from > STRAGGLERS) {
      const block = time_s.subarray(from, to);
      const low = block.reduce((a, b) => Math.min(a, b));
      const high = block.reduce((a, b) => Math.max(a, b));
      const byTime = bisector((i: number) => time_s[i]!);
      const covered = byTime.right(ordered, high) - byTime.left(ordered, low);
      let again = 0;
      for (let i = from; i < to; i++) {
        const twin = at.get(time_s[i]!);
        if (twin !== undefined && Object.is(ect[twin]!, ect[i]!)) again++;
      }
      const overlaps = covered >= 0.5 * block.length && again < 0.8 * block.length;
      const apart = covered === 0 && !fitsWhereSorted(rows, ordered, { from, to });
      if (overlaps || apart) return backStepIn(time_s, from, to);
    }
    from = to;
  }
  return null;
}

/** Closes the places where the clock was set back within one drive; by choice the log ends at the first. */
function closeBackJumps(rows: CleanRows, log: CleaningLog): Result<CleanRows, ImportError> {
  const cut = log.otherwise('clock-set-back');
  const found = new LineList();
  let current = rows;
  for (let jumps = 0; ; jumps++) {
    const mask = inOrder(current.time_s);
    const at = mask.every((m) => m === 1) ? null : findBackJump(current, mask);
    if (at === null) break;
    const line = current.lines[at]!;
    const step = Math.abs(coolantNear(current, at, 1) - coolantNear(current, at - 1, -1));
    if (step > SAME_DRIVE_K || jumps >= MOST_JUMPS) {
      return fail(
        importError(
          'time-backwards',
          `Time runs backwards on line ${line}${step > SAME_DRIVE_K ? ` and the coolant steps by ${Math.round(step)} K there` : ''}. Two drives may have been joined: split the file there, or sort it by time.`,
          { line },
        ),
      );
    }
    found.add(line);
    if (cut) {
      current = pickRows(
        current,
        Array.from({ length: at }, (_, i) => i),
      );
      break;
    }
    const shift = current.time_s[at - 1]! + middleStep_s(current.time_s) - current.time_s[at]!;
    current = { ...current, time_s: current.time_s.map((t, i) => (i >= at ? t + shift : t)) };
  }
  const what = cut
    ? "The logger's clock was set back; only the rows before it were kept."
    : `The logger's clock was set back ${times(found.count)}; the rows after it were moved to follow on.`;
  log.note('clock-set-back', found, what, cut ? 'Move the rest to follow on' : 'Keep only the rows before it', !cut);
  return ok(current);
}

const times = (n: number): string => (n === 1 ? 'once' : `${n} times`);

/** Closes holes in which a warm engine did not cool: the clock was set forward. */
function closeForwardJumps(rows: CleanRows, log: CleaningLog): CleanRows {
  const leave = log.otherwise('clock-set-forward');
  const found = new LineList();
  const step_s = middleStep_s(rows.time_s);
  let shift = 0;
  const time_s = Float64Array.from(rows.time_s);
  for (let i = 1; i < time_s.length; i++) {
    const hole = rows.time_s[i]! - rows.time_s[i - 1]!;
    if (hole > FORWARD_JUMP_S) {
      const before = coolantNear(rows, i - 1, -1);
      const after = coolantNear(rows, i, 1);
      if (before > WARM_C && Math.abs(after - before) <= NOT_COOLED_K) {
        found.add(rows.lines[i]!);
        if (!leave) shift += hole - step_s;
      }
    }
    time_s[i] = rows.time_s[i]! - shift;
  }
  const what = leave
    ? `The clock seems to have been set forward ${times(found.count)}; the hole was left.`
    : `The clock was set forward ${times(found.count)}: a warm engine had not cooled at all over the hole, which was closed.`;
  log.note('clock-set-forward', found, what, leave ? 'Close the hole' : 'Leave the hole', !leave);
  return { ...rows, time_s };
}

/** How far the coolant travels up and down over the rows in their order, K. */
function travel(rows: CleanRows, order: readonly number[]): number {
  const ect = rows.channels.ect_c!;
  let sum = 0;
  let before = NaN;
  for (const i of order) {
    if (!Number.isFinite(ect[i]!)) continue;
    if (Number.isFinite(before)) sum += Math.abs(ect[i]! - before);
    before = ect[i]!;
  }
  return sum;
}

/** Puts stragglers back into their place, or leaves them out. */
function sortStragglers(rows: CleanRows, log: CleaningLog): Result<CleanRows, ImportError> {
  const mask = inOrder(rows.time_s);
  const found = new LineList();
  mask.forEach((m, i) => {
    if (!m) found.add(rows.lines[i]!);
  });
  if (found.count === 0) return ok(rows);
  const all = Array.from(rows.time_s, (_, i) => i);
  const sorted = [...all].sort((a, b) => rows.time_s[a]! - rows.time_s[b]! || a - b);
  // Many rows out of order: only where sorting smooths the coolant's course is it the order in which they were read.
  if (found.count > MOST_STRAGGLERS * mask.length && travel(rows, sorted) > SMOOTHED_TO * travel(rows, all)) {
    const line = found.lines[0]!;
    const message = `Time runs backwards again and again, first on line ${line}. If the times are steps from row to row, log with absolute times; else choose another time column.`;
    return fail(importError('time-backwards', message, { line }));
  }
  const drop = log.otherwise('out-of-order');
  const verb = drop ? 'left out' : 'put back into place';
  log.note(
    'out-of-order',
    found,
    `${found.count} ${found.count === 1 ? 'row stands' : 'rows stand'} out of order and ${found.count === 1 ? 'was' : 'were'} ${verb}.`,
    drop ? 'Put them back' : 'Leave them out',
    !drop,
  );
  return ok(pickRows(rows, drop ? sorted.filter((i) => mask[i]) : sorted));
}

/**
 * Brings rows into the order of time: reverses a log that stands newest first, closes clocks that were set, sorts
 * stragglers. Whatever could be two drives is refused, with its line.
 *
 * @param rows with finite times and `ect_c`
 */
export function orderRows(rows: CleanRows, log: CleaningLog): Result<CleanRows, ImportError> {
  let current = rows;
  if (isNewestFirst(current)) {
    const n = current.time_s.length;
    const first = coolantNear(current, 0, 1);
    const last = coolantNear(current, n - 1, -1);
    if (!(first > last)) {
      const line = current.lines[1]!;
      const message = `Time runs backwards from line ${line} on, while the coolant warms up. Correct the time column, or choose another one.`;
      return fail(importError('time-backwards', message, { line }));
    }
    const found = new LineList();
    current.lines.forEach((line) => found.add(line));
    log.note('newest-first', found, 'The newest row stands first; the rows were turned round.');
    current = pickRows(
      current,
      Array.from({ length: n }, (_, i) => n - 1 - i),
    );
  }
  const closed = closeBackJumps(current, log);
  if (!closed.ok) return closed;
  const sorted = sortStragglers(closed.value, log);
  return sorted.ok ? ok(closeForwardJumps(sorted.value, log)) : sorted;
}
