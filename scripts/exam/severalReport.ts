import { CAUSES, isFault, perCause, type Cause } from '../../src/core/base';
import { wordTogether } from '../../src/core/case';
import {
  addLogs,
  gradeOf,
  logPriors,
  sortedOdds,
  toProbabilities,
  type Grade,
  type Odds,
} from '../../src/core/evidence';
import type { DriveWord, SeveralCase } from './severalCase';

/** What some drives of a car say together. */
export interface Together {
  readonly truth: Cause;
  readonly odds: readonly Odds[];
  readonly grade: Grade;
  readonly right: boolean;
  /** Every one of the drives alone leads with the truth. */
  readonly rightAlone: boolean;
}

const names = (cause: Cause, truth: Cause): boolean => cause === truth || (!isFault(cause) && !isFault(truth));

/** Share of the leader; either kind of sound counts for both. */
const shareOf = (odds: readonly Odds[], of: Cause): number =>
  odds.reduce((sum, o) => sum + (names(o.cause, of) ? o.probability : 0), 0);

/** The word of a drive, from its odds alone. */
function wordOf({ odds }: DriveWord) {
  const priors = logPriors();
  return perCause((c) => (odds[c] > 0 ? Math.log(odds[c]) - priors[c] : -Infinity));
}

/** Puts drives together as a case does. */
export function together(drives: readonly DriveWord[]): Together {
  const { truth } = drives.at(-1)!;
  const odds =
    drives.length === 1
      ? sortedOdds(drives[0]!.odds)
      : sortedOdds(toProbabilities(addLogs(logPriors(), wordTogether(drives.map(wordOf))), 0));
  const rightAlone = drives.every((d) => names(sortedOdds(d.odds)[0]!.cause, truth));
  return { truth, odds, grade: gradeOf(odds), right: names(odds[0]!.cause, truth), rightAlone };
}

/** All choices of `size` of a list, in order. */
export function choices<T>(list: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return list.flatMap((item, i) => choices(list.slice(i + 1), size - 1).map((rest) => [item, ...rest]));
}

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;

/** Mean distance between what was said and how often it was right, over bins of tenths, weighed by their size. */
export function calibrationError(of: readonly Together[]): number {
  let error = 0;
  const said = of.map((t) => shareOf(t.odds, t.odds[0]!.cause));
  for (let bin = 0; bin < 10; bin++) {
    const inside = of.map((_, i) => i).filter((i) => Math.min(9, Math.floor(10 * said[i]!)) === bin);
    if (inside.length === 0) continue;
    const held = mean(inside.map((i) => (of[i]!.right ? 1 : 0)));
    error += (inside.length / of.length) * Math.abs(mean(inside.map((i) => said[i]!)) - held);
  }
  return error;
}

/** Least share that a logarithm is taken of. */
const LEAST = 1e-4;
const percent = (share: number): string => (Number.isFinite(share) ? `${(100 * share).toFixed(1)} %` : '-');
const holds = (list: readonly Together[], what: (t: Together) => boolean): string =>
  percent(list.filter(what).length / list.length);

function column(cases: readonly SeveralCase[], size: number): readonly (string | number)[] {
  const all = cases.flatMap((c) =>
    choices(
      c.drives.filter((d) => d.usable),
      size,
    ).map(together),
  );
  const sound = all.filter((t) => !isFault(t.truth));
  const sure = all.filter((t) => shareOf(t.odds, t.odds[0]!.cause) >= 0.95);
  return [
    all.length,
    holds(all, (t) => t.grade !== 'inconclusive' && t.right),
    holds(
      all.filter((t) => isFault(t.truth)),
      (t) => t.grade !== 'inconclusive' && t.right,
    ),
    holds(sound, (t) => isFault(t.odds[0]!.cause) && t.odds[0]!.probability >= 0.8),
    holds(sure, (t) => t.right),
    calibrationError(all).toFixed(3),
    mean(all.map((t) => Math.log(Math.max(LEAST, shareOf(t.odds, t.truth))))).toFixed(3),
    size === 1 ? '-' : all.filter((t) => t.rightAlone && !t.right).length,
  ];
}

const ROWS = [
  'choices of drives',
  'named',
  'faults named',
  'sound accused, likely or more',
  'said confirmed, right',
  'calibration error',
  'mean log share of the truth',
  'all right alone and wrong together',
] as const;

/** The table of docs/accuracy.md: one drive, two and three of one car. Cars whose fault shows on the first drive, and sound ones. */
export function severalReport(cases: readonly SeveralCase[]): string {
  const shown = cases.filter((c) => c.observable);
  const columns = [1, 2, 3].map((size) => column(shown, size));
  return [
    `| ${shown.length} cars, ${CAUSES.filter((c) => shown.some((s) => s.drives.some((d) => d.truth === c))).length} causes | one drive | two together | three together |`,
    '|---|---|---|---|',
    ...ROWS.map((row, i) => `| ${row} | ${columns.map((c) => c[i]).join(' | ')} |`),
  ].join('\n');
}
