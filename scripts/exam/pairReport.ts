import { CAUSE_PLACE, neighboursOf, type Cause } from '../../src/core/base';
import { CLEAR_K, OBSERVABLE_K } from './metrics';
import type { PairCase, PairVerdict } from './pair';

const WAYS = ['first', 'second', 'chained', 'added'] as const;

const isSound = (cause: Cause): boolean => CAUSE_PLACE[cause].family === 'sound';
const right = (verdict: Cause, truth: Cause): boolean => verdict === truth || (isSound(truth) && isSound(verdict));

const percent = (share: number): string => (Number.isFinite(share) ? `${(100 * share).toFixed(1)} %` : '-');

function shareOf<T>(list: readonly T[], holds: (item: T) => boolean): number {
  return list.filter(holds).length / list.length;
}

/** Mean distance between what was said and how often it was right, over bins of tenths, weighed by their size. */
export function calibrationError(cases: readonly PairCase[], of: (c: PairCase) => PairVerdict): number {
  let error = 0;
  for (let bin = 0; bin < 10; bin++) {
    const inside = cases.filter((c) => Math.min(9, Math.floor(10 * of(c).probability)) === bin);
    if (inside.length === 0) continue;
    const said = inside.reduce((sum, c) => sum + of(c).probability, 0) / inside.length;
    const held = shareOf(inside, (c) => right(of(c).verdict, c.truth));
    error += (inside.length / cases.length) * Math.abs(said - held);
  }
  return error;
}

/** The table of docs/accuracy.md: one drive, two chained, two added as strangers. */
export function pairReport(cases: readonly PairCase[]): string {
  const faults = cases.filter((c) => !isSound(c.truth));
  const clear = faults.filter((c) => c.effect_k >= CLEAR_K);
  const observable = faults.filter((c) => c.effect_k >= OBSERVABLE_K);
  const sound = cases.filter((c) => isSound(c.truth));
  const judged = [...observable, ...sound];
  const names = (v: PairVerdict) => v.grade !== 'inconclusive';
  const side = (c: Cause) => CAUSE_PLACE[c].side;
  const rows: readonly (readonly [string, number, (way: (typeof WAYS)[number]) => number])[] = [
    ['clear faults named', clear.length, (w) => shareOf(clear, (c) => names(c[w]) && right(c[w].verdict, c.truth))],
    [
      'observable faults named',
      observable.length,
      (w) => shareOf(observable, (c) => names(c[w]) && right(c[w].verdict, c.truth)),
    ],
    [
      'the same, neighbours merged',
      observable.length,
      (w) => shareOf(observable, (c) => names(c[w]) && neighboursOf(c.truth).includes(c[w].verdict)),
    ],
    ['sound named', sound.length, (w) => shareOf(sound, (c) => names(c[w]) && right(c[w].verdict, c.truth))],
    [
      'sound accused, likely or more',
      sound.length,
      (w) => shareOf(sound, (c) => !isSound(c[w].verdict) && c[w].probability >= 0.8),
    ],
    [
      'sender and thermostat swapped',
      judged.length,
      (w) =>
        shareOf(
          judged,
          (c) =>
            names(c[w]) &&
            side(c.truth) !== null &&
            side(c[w].verdict) !== null &&
            side(c.truth) !== side(c[w].verdict),
        ),
    ],
    [
      'said confirmed, right',
      cases.length,
      (w) =>
        shareOf(
          judged.filter((c) => c[w].probability >= 0.95),
          (c) => right(c[w].verdict, c.truth),
        ),
    ],
  ];
  const mean = (w: (typeof WAYS)[number]) => judged.reduce((sum, c) => sum + Math.log(c[w].ofTruth), 0) / judged.length;
  return [
    '| two drives of one car | of | first alone | second alone | both, chained | both, as of two cars |',
    '|---|---|---|---|---|---|',
    ...rows.map(([what, of, value]) => `| ${what} | ${of} | ${WAYS.map((w) => percent(value(w))).join(' | ')} |`),
    `| calibration error | ${judged.length} | ${WAYS.map((w) => calibrationError(judged, (c) => c[w]).toFixed(3)).join(' | ')} |`,
    `| mean log odds of the truth | ${judged.length} | ${WAYS.map((w) => mean(w).toFixed(3)).join(' | ')} |`,
  ].join('\n');
}
