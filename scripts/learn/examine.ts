import { CAUSES, type Cause } from '../../src/core/base';
import { gradeOf, sortedOdds } from '../../src/core/evidence';
import { besides, experienced, withSecondFault } from '../../src/core/judge';
import type { OutsideVerdict } from '../exam/outsideCase';
import { outsideFigures, outsideHead, outsidePairs, outsideRow } from '../exam/outsideReport';
import type { LearnCase } from './learnCase';
import { train, type TrainOptions } from './train';

/** Into how many parts the worlds are cut. */
const PARTS = 4;

/** What is left out at once: a vehicle of the field, or a quarter of the worlds. */
interface Part {
  readonly origin: LearnCase['origin'];
  readonly name: string;
  readonly groups: readonly string[];
}

/** What an examination leaves out in turn. */
export function partsOf(cases: readonly LearnCase[]): Part[] {
  const groups = (origin: LearnCase['origin']) =>
    [...new Set(cases.filter((c) => c.origin === origin).map((c) => c.group))].sort();
  const worlds = groups('world');
  return [
    ...groups('field').map((v): Part => ({ origin: 'field', name: v, groups: [v] })),
    ...Array.from({ length: worlds.length > 0 ? PARTS : 0 }, (_, i): Part => ({
      origin: 'world',
      name: `worlds ${i}`,
      groups: worlds.filter((_w, k) => k % PARTS === i),
    })),
  ];
}

/** Judges the drives of one part, as they were logged, by a layer that was trained without them. */
export function judgedWithout(
  cases: readonly LearnCase[],
  { groups }: Part,
  seed: number,
  options?: TrainOptions,
): OutsideVerdict[] {
  const out = (c: LearnCase) => groups.includes(c.group);
  const experience = train(
    cases.filter((c) => !out(c)),
    seed,
    options,
  );
  return cases
    .filter((c) => out(c) && c.counts && c.telling === 0)
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

/** The report of an examination. @param judged the drives of each part, by a layer that did not learn from them */
export function examineReport(parts: readonly Part[], judged: readonly (readonly OutsideVerdict[])[]): string {
  const of = (origin: LearnCase['origin']) => judged.filter((_, i) => parts[i]!.origin === origin).flat();
  const everyVehicle = outsideFigures(of('field'));
  const everyWorld = outsideFigures(of('world'));
  return [
    [
      outsideHead,
      outsideRow('every vehicle in turn', everyVehicle),
      ...parts.flatMap((p, i) => (p.origin === 'field' ? [outsideRow(p.name, outsideFigures(judged[i]!))] : [])),
      outsideRow('every part of the worlds in turn', everyWorld),
    ].join('\n'),
    `Vehicles left out, ${outsidePairs(everyVehicle)}. Worlds left out, ${outsidePairs(everyWorld)}.`,
  ].join('\n\n');
}
