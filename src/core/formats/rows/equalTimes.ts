import { CHANNEL_NAMES } from '../../base';
import { pickRows, type CleaningLog, type CleanRows } from './cleaning';
import { LineList, plural } from '../table/lineList';

function sameRow(rows: CleanRows, a: number, b: number): 'same' | 'complementary' | 'different' {
  let verdict: 'same' | 'complementary' = 'same';
  for (const name of CHANNEL_NAMES) {
    const values = rows.channels[name];
    if (!values) continue;
    const x = values[a]!;
    const y = values[b]!;
    if (Number.isNaN(x) && Number.isNaN(y)) continue;
    if (Number.isNaN(x) || Number.isNaN(y)) verdict = 'complementary';
    else if (x !== y) return 'different';
  }
  return verdict;
}

/** Times closer than this are the same, s. */
const SAME_TIME_S = 1e-9;

/** Rows that share a time: joined where they complete each other, dropped where the same, spread where a clock is coarse. */
export function joinEqualTimes(rows: CleanRows, isClock: boolean, log: CleaningLog): CleanRows {
  if (rows.time_s.every((t, i) => i === 0 || t - rows.time_s[i - 1]! >= SAME_TIME_S)) return rows;
  if (hasCoarseClock(rows) || (isClock && sharesSeconds(rows))) {
    if (!log.otherwise('coarse-clock')) return spreadCoarseClock(rows, log);
    const joined = joinRuns(rows, log);
    noteCoarse(rows, log, false);
    return joined;
  }
  if (log.otherwise('duplicate-rows') && hasDouble(rows)) return spreadDoubles(rows, log);
  return joinRuns(rows, log);
}

/** True where a row stands twice to the last digit. */
const hasDouble = (rows: CleanRows): boolean =>
  rows.time_s.some((t, i) => i > 0 && t - rows.time_s[i - 1]! < SAME_TIME_S && sameRow(rows, i - 1, i) === 'same');

/** By choice every row is kept: those of one time are spread to the next. */
function spreadDoubles(rows: CleanRows, log: CleaningLog): CleanRows {
  const found = new LineList();
  rows.time_s.forEach((t, i) => {
    if (i > 0 && t - rows.time_s[i - 1]! < SAME_TIME_S) found.add(rows.lines[i]!);
  });
  const what = `${plural(found.count, 'row shares', 'rows share')} the time of the row before; all were kept and spread to the next time.`;
  log.note('duplicate-rows', found, what, 'Take each once', false);
  return { ...rows, time_s: spreadTimes(rows.time_s) };
}

/** Joins rows of one time that complete each other, takes doubles once, keeps one where they differ. */
function joinRuns(rows: CleanRows, log: CleaningLog): CleanRows {
  const n = rows.time_s.length;
  const kept: number[] = [];
  const duplicates = new LineList();
  const conflicts: { at: number; group: number[] }[] = [];
  for (let i = 0; i < n;) {
    let end = i + 1;
    while (end < n && rows.time_s[end]! - rows.time_s[i]! < SAME_TIME_S) end++;
    const group = [i];
    for (let k = i + 1; k < end; k++) {
      const last = group.at(-1)!;
      const verdict = sameRow(rows, last, k);
      if (verdict === 'different') group.push(k);
      else {
        if (verdict === 'same') duplicates.add(rows.lines[k]!);
        for (const name of CHANNEL_NAMES) {
          const values = rows.channels[name];
          if (values && Number.isNaN(values[last]!)) values[last] = values[k]!;
        }
      }
    }
    if (group.length > 1) conflicts.push({ at: kept.length, group });
    kept.push(...group);
    i = end;
  }
  log.note(
    'duplicate-rows',
    duplicates,
    `${plural(duplicates.count, 'row stands', 'rows stand')} twice and ${duplicates.count === 1 ? 'was' : 'were'} taken once.`,
    'Keep both',
  );
  if (conflicts.length === 0) return kept.length === n ? rows : pickRows(rows, kept);
  return keepOneOfEach(rows, { kept, conflicts }, log);
}

/** A few rows share a time and differ: the first of each stays, or the last. */
function keepOneOfEach(
  rows: CleanRows,
  found: { kept: readonly number[]; conflicts: readonly { at: number; group: readonly number[] }[] },
  log: CleaningLog,
): CleanRows {
  const last = log.otherwise('same-time');
  const lines = new LineList();
  const drop = new Set<number>();
  for (const { group } of found.conflicts) {
    for (const row of last ? group.slice(0, -1) : group.slice(1)) {
      drop.add(row);
      lines.add(rows.lines[row]!);
    }
  }
  const what = `${plural(lines.count, 'row shares', 'rows share')} the time of another and ${lines.count === 1 ? 'differs' : 'differ'}; the ${last ? 'last' : 'first'} of each was kept.`;
  log.note('same-time', lines, what, last ? 'Keep the first of each' : 'Keep the last of each', !last);
  return pickRows(
    rows,
    found.kept.filter((i) => !drop.has(i)),
  );
}

/** A clock of whole seconds under rows that come about once a second: now and then two of them fall into one. */
function sharesSeconds(rows: CleanRows): boolean {
  const { time_s } = rows;
  return (
    time_s.every((t) => Number.isInteger(Math.round(1e6 * t) / 1e6)) &&
    time_s.some((t, i) => i > 0 && t - time_s[i - 1]! < SAME_TIME_S && sameRow(rows, i - 1, i) === 'different')
  );
}

/** Ends of the runs of rows that share a time. */
function runsOf(time_s: Float64Array): number[] {
  const ends: number[] = [];
  for (let i = 1; i <= time_s.length; i++) {
    if (i === time_s.length || time_s[i]! - time_s[i - 1]! >= SAME_TIME_S) ends.push(i);
  }
  return ends;
}

/**
 * True where a clock of whole seconds stands over several rows a second: most times are shared by rows that differ, or
 * by more rows than a double entry makes.
 */
function hasCoarseClock(rows: CleanRows): boolean {
  const ends = runsOf(rows.time_s);
  let shared = 0;
  let differing = 0;
  ends.forEach((end, g) => {
    const from = g === 0 ? 0 : ends[g - 1]!;
    if (end - from < 2) return;
    shared++;
    for (let k = from + 1; k < end; k++) {
      if (sameRow(rows, k - 1, k) === 'different') {
        differing++;
        break;
      }
    }
  });
  const complementary = rows.time_s.length > 1 && sameRow(rows, 0, 1) === 'complementary';
  const crowded = rows.time_s.length / ends.length > CROWDED && !complementary;
  return ends.length > 2 && shared > 0.5 * ends.length && (differing > 0.2 * shared || crowded);
}

/** Rows per time beyond which they are no double entries. */
const CROWDED = 2.5;

/** A clock of whole seconds under several rows a second: the rows of one reading are spread to the next. */
function spreadCoarseClock(rows: CleanRows, log: CleaningLog): CleanRows {
  noteCoarse(rows, log, true);
  return { ...rows, time_s: spreadTimes(rows.time_s) };
}

function noteCoarse(rows: CleanRows, log: CleaningLog, spread: boolean): void {
  const found = new LineList();
  rows.time_s.forEach((t, i) => {
    if (i > 0 && t - rows.time_s[i - 1]! < SAME_TIME_S) found.add(rows.lines[i]!);
  });
  const what = spread
    ? `The clock is coarser than the rows: ${plural(found.count, 'row was', 'rows were')} spread between its steps.`
    : `The clock is coarser than the rows: one row of each step was kept.`;
  log.note('coarse-clock', found, what, spread ? 'Keep one row of each step' : 'Spread them', spread);
}

/** Times with those of one run of equal ones spread evenly to the next. */
function spreadTimes(time_s: Float64Array): Float64Array {
  const ends = runsOf(time_s);
  const sizes = ends.map((end, g) => end - (g === 0 ? 0 : ends[g - 1]!)).sort((a, b) => a - b);
  const usual = sizes[Math.floor(sizes.length / 2)]!;
  const spread = Float64Array.from(time_s);
  let step = 1;
  ends.forEach((end, g) => {
    const from = g === 0 ? 0 : ends[g - 1]!;
    if (end < time_s.length) step = time_s[end]! - time_s[from]!;
    const size = Math.max(usual, end - from);
    // The log may begin in the middle of a second: its rows then belong to the end of it.
    const lead = g === 0 ? size - (end - from) : 0;
    for (let k = from; k < end; k++) {
      spread[k] = time_s[from]! + (step * (lead + k - from)) / size;
    }
  });
  return spread;
}
