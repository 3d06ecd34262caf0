import { bisector, bisectLeft } from 'd3-array';
import { middleStep_s } from '../columns/resolveTime';
import { pickRows, type CleaningLog, type CleanRows } from './cleaning';
import { LineList, plural } from '../table/lineList';
import { inOrder, isSorted } from './rowOrder';

/** So many rows in a row may carry a damaged time; more are a clock that was set. */
const FEW_ROWS = 3;
/** Fewest rows among which one can be told to be wrong. */
const FEWEST_ROWS = 6;
/** A hole of so many steps where a row stands says that it belongs there. */
const HOLE = 1.5;
/** A step at an end of the log that is so much longer than the usual one, and as long as this, s, is none. */
const FAR_STEPS = 200;
const FAR_S = 6 * 3600;

/** Coolant halfway between two rows, °C; NaN where either has none. */
const between = (rows: CleanRows, a: number, b: number): number =>
  ((rows.channels.ect_c![a] ?? NaN) + (rows.channels.ect_c![b] ?? NaN)) / 2;

/** Rows at the ends that stand far from all others. */
function farEnds(time_s: Float64Array, step_s: number): Set<number> {
  const far = new Set<number>();
  const limit = Math.max(FAR_S, FAR_STEPS * step_s);
  const n = time_s.length;
  for (let k = Math.min(FEW_ROWS, n - FEWEST_ROWS); k >= 1; k--) {
    if (far.size === 0 && Math.abs(time_s[k]! - time_s[k - 1]!) > limit) for (let i = 0; i < k; i++) far.add(i);
  }
  const before = far.size;
  for (let k = Math.min(FEW_ROWS, n - FEWEST_ROWS); k >= 1; k--) {
    if (far.size === before && Math.abs(time_s[n - k]! - time_s[n - k - 1]!) > limit) {
      for (let i = n - k; i < n; i++) far.add(i);
    }
  }
  return far;
}

/** Whether a row out of order belongs where it stands and only its time is damaged. */
function standsRight(
  rows: CleanRows,
  run: { from: number; to: number },
  good: readonly number[],
  step_s: number,
): boolean {
  const { time_s } = rows;
  const place = bisectLeft(good, run.from);
  const before = good[place - 1];
  const after = good[place];
  const length = run.to - run.from;
  const here =
    before !== undefined && after !== undefined
      ? time_s[after]! - time_s[before]! > (length - 1 + HOLE) * step_s
      : null;
  const at = time_s[run.from]!;
  const byTime = bisector((i: number) => time_s[i]!);
  const low = good[byTime.right(good, at) - 1];
  const high = good[byTime.left(good, at)];
  const there =
    low !== undefined && time_s[low] !== at && high !== undefined && time_s[high]! - time_s[low]! > HOLE * step_s;
  // At an end there is no hole to fill.
  if (here === null) return !there;
  if (here !== there) return here;
  if (!here || before === undefined || after === undefined || low === undefined || high === undefined) return true;
  const ect = rows.channels.ect_c![run.from]!;
  return !(Math.abs(ect - between(rows, low, high)) < Math.abs(ect - between(rows, before, after)));
}

/**
 * Takes out rows whose time cell is damaged: one digit, one date of 1970 must not stretch the whole log or put a row
 * elsewhere. A row that only stands out of order fits the hole that it left, and stays.
 */
export function dropWrongTimes(rows: CleanRows, log: CleaningLog): CleanRows {
  const { time_s } = rows;
  const n = time_s.length;
  if (n < FEWEST_ROWS) return rows;
  const step_s = middleStep_s(time_s);
  const wrong = farEnds(time_s, step_s);
  if (wrong.size === 0 && isSorted(time_s)) return rows;
  const inside = Array.from({ length: n }, (_, i) => i).filter((i) => !wrong.has(i));
  const order = inOrder(Float64Array.from(inside, (i) => time_s[i]!));
  const good = inside.filter((_, k) => order[k]);
  // A log that stands newest first, or two in one, is another matter.
  if (good.length > 0.8 * n) {
    for (let k = 0; k < inside.length; k++) {
      if (order[k]) continue;
      let end = k;
      while (end < inside.length && !order[end]) end++;
      const run = { from: inside[k]!, to: inside[end - 1]! + 1 };
      if (end - k <= FEW_ROWS && standsRight(rows, run, good, step_s)) {
        for (let i = run.from; i < run.to; i++) wrong.add(i);
      }
      k = end;
    }
  }
  if (wrong.size === 0 || log.otherwise('wrong-time')) return rows;
  const found = new LineList();
  for (const i of [...wrong].sort((a, b) => a - b)) found.add(rows.lines[i]!);
  const what = `${plural(found.count, 'row carries', 'rows carry')} a time that stands far from the rows around ${found.count === 1 ? 'it and was' : 'them and were'} left out.`;
  log.note('wrong-time', found, what, 'Take the times as they are');
  return pickRows(
    rows,
    Array.from({ length: n }, (_, i) => i).filter((i) => !wrong.has(i)),
  );
}
