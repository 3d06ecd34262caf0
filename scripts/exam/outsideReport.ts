import { median } from 'd3-array';
import { isFault, neighboursOf, type Cause } from '../../src/core/base';
import type { OutsideCase, OutsideVerdict } from './outsideCase';

/** Figures of an exam outside the home world, as shares; NaN where nothing was asked. */
export interface OutsideFigures {
  readonly drives: number;
  readonly clear: number;
  readonly observable: number;
  readonly merged: number;
  readonly sound: number;
  readonly cold: number;
  readonly accused: number;
  readonly accusedAtAll: number;
  readonly confirmedRight: number;
  readonly swapped: number;
  readonly calibrationError: number;
  readonly hotDeclined: number;
  readonly oneOfTwo: number;
  readonly bothOfTwo: number;
  /** Of drives with two faults, on how many a second one was rightly named beside the leader. */
  readonly alsoOfTwo: number;
  /** Of drives with one fault, on how many a second was named. */
  readonly alsoOfOne: number;
  readonly alsoRight: number;
}

const share = (cases: readonly OutsideVerdict[], holds: (c: OutsideVerdict) => boolean): number =>
  cases.length === 0 ? NaN : cases.filter(holds).length / cases.length;
const named = (c: OutsideVerdict): boolean => c.grade !== 'inconclusive';
const right = (c: OutsideVerdict): boolean => c.verdict === c.causes[0];
const sure = (c: OutsideVerdict): boolean => c.grade === 'confirmed' || c.grade === 'likely';
const side = (cause: Cause): string => cause.split('-')[0]!;
const BARS = 10;

/** How often verdicts of a stated probability were right, in tenths. */
export function barsOf(cases: readonly OutsideVerdict[]): { said: number; right: number; count: number }[] {
  return Array.from({ length: BARS }, (_, b) => {
    const inside = cases.filter((c) => Math.min(BARS - 1, Math.floor(BARS * c.probability)) === b);
    const said = inside.reduce((sum, c) => sum + c.probability, 0) / Math.max(1, inside.length);
    return { said, right: share(inside, right) || 0, count: inside.length };
  });
}

/** Drives on which one fault, or none, should be told. */
export const asked = <T extends OutsideVerdict>(cases: readonly T[]): T[] =>
  cases.filter((c) => c.observable && c.causes.length === 1);

/** Computes the figures. */
export function outsideFigures(cases: readonly OutsideVerdict[]): OutsideFigures {
  const exam = asked(cases);
  const faults = exam.filter((c) => isFault(c.causes[0]!));
  const clear = faults.filter((c) => c.clear);
  const sound = cases.filter((c) => c.causes.length === 1 && !c.hotStart && !isFault(c.causes[0]!));
  const parts = faults.filter((c) => ['thermostat', 'sender'].includes(side(c.causes[0]!)));
  const two = cases.filter((c) => c.causes.length > 1 && c.observable);
  const bars = barsOf(exam);
  return {
    drives: cases.length,
    clear: share(clear, (c) => named(c) && right(c)),
    observable: share(faults, (c) => named(c) && right(c)),
    merged: share(faults, (c) => named(c) && (right(c) || neighboursOf(c.causes[0]!).includes(c.verdict))),
    sound: share(
      exam.filter((c) => c.causes[0] === 'healthy'),
      (c) => named(c) && right(c),
    ),
    cold: share(
      exam.filter((c) => c.causes[0] === 'insufficient-heat'),
      (c) => named(c) && right(c),
    ),
    accused: share(sound, (c) => isFault(c.verdict) && sure(c)),
    accusedAtAll: share(sound, (c) => isFault(c.verdict) && named(c)),
    confirmedRight: share(
      exam.filter((c) => c.grade === 'confirmed'),
      right,
    ),
    swapped: share(
      parts,
      (c) => named(c) && ['thermostat', 'sender'].includes(side(c.verdict)) && side(c.verdict) !== side(c.causes[0]!),
    ),
    calibrationError: bars.reduce(
      (sum, b) => sum + (b.count * Math.abs(b.said - b.right)) / Math.max(1, exam.length),
      0,
    ),
    hotDeclined: share(
      cases.filter((c) => c.hotStart),
      (c) => !named(c),
    ),
    oneOfTwo: share(two, (c) => named(c) && c.causes.includes(c.verdict)),
    bothOfTwo: share(two, (c) => c.causes.every((cause) => c.order.slice(0, 3).includes(cause))),
    alsoOfTwo: share(two, (c) => c.also.some((cause) => c.causes.includes(cause))),
    alsoOfOne: share(faults, (c) => c.also.length > 0),
    alsoRight: share(
      cases.filter((c) => c.also.length > 0),
      (c) => c.also.every((cause) => c.causes.includes(cause)),
    ),
  };
}

const pct = (x: number): string => (Number.isNaN(x) ? '-' : `${(100 * x).toFixed(0)}`);

/** Columns of the report: head, figure, whether more is worse. */
const COLUMNS: readonly (readonly [string, keyof OutsideFigures, boolean])[] = [
  ['clear', 'clear', false],
  ['observable', 'observable', false],
  ['merged', 'merged', false],
  ['sound', 'sound', false],
  ['too cold', 'cold', false],
  ['accused', 'accused', true],
  ['at all', 'accusedAtAll', true],
  ['confirmed right', 'confirmedRight', false],
  ['swapped', 'swapped', true],
];

/** Head of a table of figures. */
export const outsideHead: string = [
  `| drives | count | ${COLUMNS.map(([head]) => head).join(' | ')} | calibration error |`,
  `|---|---|${COLUMNS.map(() => '---').join('|')}|---|`,
].join('\n');

/** A row of a table of figures, percent. */
export const outsideRow = (name: string, f: OutsideFigures): string =>
  `| ${[name, f.drives, ...COLUMNS.map(([, key]) => pct(f[key])), f.calibrationError.toFixed(3)].join(' | ')} |`;

/** What is said of two faults at once, in words. */
export const outsidePairs = (f: OutsideFigures): string =>
  `two faults at once: one of them named first ${pct(f.oneOfTwo)} %, both among the first three ${pct(f.bothOfTwo)} %, the second named beside ${pct(f.alsoOfTwo)} % (and beside a single fault ${pct(f.alsoOfOne)} %)`;

/** The report as Markdown: all, every group, the worst of each, reliability, two faults. Percent. */
export function outsideReport(cases: readonly OutsideCase[]): string {
  const groups = [...new Set(cases.map((c) => c.group))].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  const each = groups.map((group) => ({ group, figures: outsideFigures(cases.filter((c) => c.group === group)) }));
  const all = outsideFigures(cases);
  const worst = COLUMNS.map(([, key, more]) => {
    const values = each.map((e) => e.figures[key]).filter((v) => !Number.isNaN(v));
    return pct(values.length === 0 ? NaN : more ? Math.max(...values) : Math.min(...values));
  });
  const channels = (['full', 'basic', 'temperature-only'] as const).map((set) =>
    outsideRow(set, outsideFigures(cases.filter((c) => c.channels === set))),
  );
  return [
    [
      outsideHead,
      outsideRow('all', all),
      ...channels,
      ...each.map((e) => outsideRow(e.group, e.figures)),
      `| worst of each | | ${worst.join(' | ')} | ${Math.max(...each.map((e) => e.figures.calibrationError)).toFixed(3)} |`,
    ].join('\n'),
    `Hot starts declined ${pct(all.hotDeclined)} %; ${outsidePairs(all)}; a second fault named beside was there in ${pct(all.alsoRight)} %.`,
    [
      '| said | right | drives |',
      '|---|---|---|',
      ...barsOf(asked(cases))
        .filter((b) => b.count > 0)
        .map((b) => `| ${b.said.toFixed(2)} | ${b.right.toFixed(2)} | ${b.count} |`),
    ].join('\n'),
    `Median ${(median(cases, (c) => c.milliseconds) ?? NaN).toFixed(0)} ms per drive, one core.`,
  ].join('\n\n');
}
