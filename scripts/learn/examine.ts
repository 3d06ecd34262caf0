import { CAUSES, type Cause } from '../../src/core/base';
import { gradeOf, sortedOdds } from '../../src/core/evidence';
import { besides, experienced, withSecondFault } from '../../src/core/judge';
import type { OutsideVerdict } from '../exam/outsideCase';
import { outsideFigures, outsideHead, outsidePairs, outsideRow } from '../exam/outsideReport';
import type { LearnCase } from './learnCase';
import { train, type TrainOptions } from './train';

/** Into how many parts the worlds are cut. */
const PARTS = 4;

/** Judges cases by a layer that was trained without them. */
function judgedWithout(
  cases: readonly LearnCase[],
  out: (c: LearnCase) => boolean,
  seed: number,
  options?: TrainOptions,
): OutsideVerdict[] {
  const experience = train(
    cases.filter((c) => !out(c)),
    seed,
    options,
  );
  return cases
    .filter((c) => out(c) && c.counts)
    .map((c) => {
      const figures = Object.fromEntries(Object.entries(c.figures).map(([k, v]) => [k, v ?? NaN]));
      const physics = Object.fromEntries(CAUSES.map((cause, i) => [cause, c.physics[i]!])) as Record<Cause, number>;
      const found = experienced(experience, figures, physics);
      const logOdds = withSecondFault(found);
      const odds = sortedOdds(
        Object.fromEntries(CAUSES.map((cause) => [cause, Math.exp(logOdds[cause])])) as Record<Cause, number>,
      );
      const leader = odds[0]!;
      const grade = gradeOf(odds);
      return {
        ...{ causes: c.causes, hotStart: false, observable: true, clear: c.clear, grade },
        ...{ verdict: leader.cause, probability: leader.probability },
        order: odds.map((o) => o.cause),
        also: grade === 'inconclusive' ? [] : besides(found.present, leader.cause),
      };
    });
}

/** The layer on drives that it did not learn from: each field vehicle left out in turn, and each part of the worlds. */
export function examine(cases: readonly LearnCase[], seed: number, options?: TrainOptions): string {
  const vehicles = [...new Set(cases.filter((c) => c.origin === 'field').map((c) => c.group))].sort();
  const worlds = [...new Set(cases.filter((c) => c.origin === 'world').map((c) => c.group))].sort();
  const field = vehicles.map((v) => ({ v, judged: judgedWithout(cases, (c) => c.group === v, seed, options) }));
  const parts = Array.from({ length: worlds.length > 0 ? PARTS : 0 }, (_, i) =>
    worlds.filter((_w, k) => k % PARTS === i),
  );
  const drawn = parts.map((part) => judgedWithout(cases, (c) => part.includes(c.group), seed, options));
  const everyVehicle = outsideFigures(field.flatMap((f) => f.judged));
  const everyWorld = outsideFigures(drawn.flat());
  return [
    [
      outsideHead,
      outsideRow('every vehicle in turn', everyVehicle),
      ...field.map((f) => outsideRow(f.v, outsideFigures(f.judged))),
      outsideRow('every part of the worlds in turn', everyWorld),
    ].join('\n'),
    `Vehicles left out, ${outsidePairs(everyVehicle)}. Worlds left out, ${outsidePairs(everyWorld)}.`,
  ].join('\n\n');
}
