import { CHANNEL_NAMES, CHANNELS, type ChannelName } from '../../base';
import { LineList, plural } from '../table/lineList';

/** What cleaning can find. */
export const CLEANING_KINDS = [
  'unreadable-cells',
  'impossible-values',
  'lines-without-time',
  'wrong-time',
  'other-width',
  'repeated-header',
  'newest-first',
  'out-of-order',
  'duplicate-rows',
  'same-time',
  'coarse-clock',
  'clock-set-back',
  'clock-set-forward',
  'gap',
  'stale-repeats',
] as const;
export type CleaningKind = (typeof CLEANING_KINDS)[number];

/** One thing that was found, and what was done about it. */
export interface Cleaning {
  readonly kind: CleaningKind;
  readonly count: number;
  /** Lines of the file, the first ones. */
  readonly lines: readonly number[];
  /** What was found and done, as a sentence. */
  readonly what: string;
  /** What the other choice would do; null where there is none. */
  readonly otherwise: string | null;
  /** True when it was treated, false when it was left as it is. */
  readonly applied: boolean;
}

/** The rows of a trace while they are cleaned. */
export interface CleanRows {
  time_s: Float64Array;
  readonly lines: Float64Array;
  readonly channels: Partial<Record<ChannelName, Float64Array>>;
}

/** Takes rows by index, in that order. */
export function pickRows(rows: CleanRows, order: ArrayLike<number>): CleanRows {
  const take = (values: Float64Array): Float64Array =>
    Float64Array.from({ length: order.length }, (_, i) => values[order[i]!]!);
  const channels: Partial<Record<ChannelName, Float64Array>> = {};
  for (const name of CHANNEL_NAMES) {
    const values = rows.channels[name];
    if (values) channels[name] = take(values);
  }
  return { time_s: take(rows.time_s), lines: take(rows.lines), channels };
}

/** Collects what cleaning found. */
export class CleaningLog {
  readonly entries: Cleaning[] = [];

  constructor(private readonly chosen: ReadonlySet<CleaningKind>) {}

  /** A person chose the other treatment of this, see {@link Cleaning.otherwise}. */
  otherwise(kind: CleaningKind): boolean {
    return this.chosen.has(kind);
  }

  note(kind: CleaningKind, found: LineList, what: string, otherwise: string | null = null, applied = true): void {
    if (found.count === 0) return;
    this.entries.push({ kind, count: found.count, lines: found.lines, what, otherwise, applied });
  }
}

/** Takes out values that no vehicle can produce. */
export function dropImpossible(rows: CleanRows, log: CleaningLog): void {
  for (const name of CHANNEL_NAMES) {
    const values = rows.channels[name];
    if (!values) continue;
    const { min, max, label } = CHANNELS[name];
    const found = new LineList();
    const keep = log.otherwise('impossible-values');
    for (let i = 0; i < values.length; i++) {
      if (values[i]! < min || values[i]! > max) {
        found.add(rows.lines[i]!);
        if (!keep) values[i] = NaN;
      }
    }
    const verb = keep ? 'kept' : 'left out';
    const what = `${plural(found.count, 'impossible value', 'impossible values')} of ${label.toLowerCase()} ${found.count === 1 ? 'was' : 'were'} ${verb}.`;
    log.note('impossible-values', found, what, keep ? 'Leave them out' : 'Keep them', !keep);
  }
}

/** Looks for stretches without rows. They stay, unless the user wants the longest stretch between them alone. */
export function findGaps(rows: CleanRows, step_s: number, log: CleaningLog): CleanRows {
  const found = new LineList();
  const starts = [0];
  let longest = 0;
  const n = rows.time_s.length;
  for (let i = 1; i < n; i++) {
    const gap = rows.time_s[i]! - rows.time_s[i - 1]!;
    if (gap > Math.max(10, 8 * step_s)) {
      found.add(rows.lines[i]!);
      starts.push(i);
      longest = Math.max(longest, gap);
    }
  }
  const cut = log.otherwise('gap');
  const what = `${plural(found.count, 'gap', 'gaps')} without rows, the longest ${Math.round(longest)} s${cut ? '; only the longest stretch between them was kept' : ''}.`;
  log.note('gap', found, what, cut ? 'Keep all rows' : 'Keep only the longest stretch', cut);
  if (!cut || found.count === 0) return rows;
  const stretches = starts.map((from, k) => ({ from, to: starts[k + 1] ?? n }));
  const lasts = ({ from, to }: { from: number; to: number }): number => rows.time_s[to - 1]! - rows.time_s[from]!;
  const { from, to } = stretches.reduce((a, b) => (lasts(b) > lasts(a) ? b : a));
  return pickRows(
    rows,
    Array.from({ length: to - from }, (_, k) => from + k),
  );
}

/** Fewest identical rows, and their time, s, that make a logger suspect of repeating an old answer. */
const STALE_ROWS = 6;
const STALE_S = 8;

/** At a standstill an engine may idle evenly for minutes; on the road nothing stands still to the last digit. */
function isDriving(rows: CleanRows, at: number): boolean {
  const { speed_kmh, rpm } = rows.channels;
  return speed_kmh ? speed_kmh[at]! > 5 : rpm![at]! > 1100;
}

/**
 * Looks for stretches in which everything stands still to the last digit on the road: a logger that lost
 * its connection and wrote the last answer again. Left as they are unless the user says otherwise, since a frozen
 * sender can look alike.
 */
export function blankStaleRepeats(rows: CleanRows, log: CleaningLog): void {
  const rpm = rows.channels.rpm;
  const names = CHANNEL_NAMES.filter((name) => rows.channels[name] && CHANNELS[name].quantity !== 'percent');
  if (!rpm || names.length < 3 || new Set(rpm).size < 5) return;
  const blank = log.otherwise('stale-repeats');
  const found = new LineList();
  const n = rows.time_s.length;
  for (let i = 0; i < n;) {
    let end = i + 1;
    while (
      end < n &&
      rpm[end] === rpm[i] &&
      isDriving(rows, i) &&
      names.every((name) => Object.is(rows.channels[name]![end]!, rows.channels[name]![i]!))
    )
      end++;
    if (end - i >= STALE_ROWS && rows.time_s[end - 1]! - rows.time_s[i]! >= STALE_S) {
      for (let k = i + 1; k < end; k++) {
        found.add(rows.lines[k]!);
        if (blank) for (const name of names) rows.channels[name]![k] = NaN;
      }
    }
    i = end;
  }
  const what = `${plural(found.count, 'row repeats', 'rows repeat')} the row before to the last digit while driving; ${blank ? 'they were left out' : 'they were kept'}.`;
  log.note(
    'stale-repeats',
    found,
    what,
    blank ? 'Keep them' : 'Leave them out: the logger had lost the connection',
    blank,
  );
}
