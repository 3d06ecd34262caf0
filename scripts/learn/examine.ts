import { CAUSES, isFault, type Cause } from '../../src/core/base';
import { gradeOf, sortedOdds } from '../../src/core/evidence';
import { besides, experienced } from '../../src/core/judge';
import type { LearnCase } from './learnCase';
import { train, TRAIN } from './train';

/** Into how many parts the worlds are cut. */
const PARTS = 4;

const pct = (cases: readonly Judged[], holds: (c: Judged) => boolean): string =>
  cases.length === 0 ? '-' : `${((100 * cases.filter(holds).length) / cases.length).toFixed(0)} % of ${cases.length}`;

interface Judged {
  readonly truth: readonly Cause[];
  readonly leader: Cause;
  /** The three likeliest causes. */
  readonly first: readonly Cause[];
  readonly grade: string;
  /** Named beside the leader. */
  readonly also: readonly Cause[];
}

/** Judges cases by a layer that was trained without them. */
function judgedWithout(cases: readonly LearnCase[], out: (c: LearnCase) => boolean, seed: number): Judged[] {
  const experience = train(
    cases.filter((c) => !out(c)),
    seed,
    TRAIN,
  );
  return cases
    .filter((c) => out(c) && c.counts)
    .map((c) => {
      const figures = Object.fromEntries(Object.entries(c.figures).map(([k, v]) => [k, v ?? NaN]));
      const physics = Object.fromEntries(CAUSES.map((cause, i) => [cause, c.physics[i]!])) as Record<Cause, number>;
      const { logOdds, present } = experienced(experience, figures, physics);
      const odds = sortedOdds(
        Object.fromEntries(CAUSES.map((cause) => [cause, Math.exp(logOdds[cause])])) as Record<Cause, number>,
      );
      const leader = odds[0]!.cause;
      const grade = gradeOf(odds);
      const also = grade === 'inconclusive' ? [] : besides(present, leader);
      return { truth: c.causes, leader, first: odds.slice(0, 3).map((o) => o.cause), grade, also };
    });
}

function row(name: string, all: readonly Judged[]): string {
  const single = all.filter((c) => c.truth.length === 1);
  const named = (c: Judged) => c.grade !== 'inconclusive' && c.truth.includes(c.leader);
  const faults = single.filter((c) => isFault(c.truth[0]!));
  const sound = single.filter((c) => !isFault(c.truth[0]!));
  const sure = (c: Judged) => c.grade === 'confirmed' || c.grade === 'likely';
  const confirmed = single.filter((c) => c.grade === 'confirmed');
  return `| ${[
    name,
    pct(faults, named),
    pct(
      sound.filter((c) => c.truth[0] === 'healthy'),
      named,
    ),
    pct(
      sound.filter((c) => c.truth[0] !== 'healthy'),
      named,
    ),
    pct(sound, (c) => isFault(c.leader) && sure(c)),
    pct(confirmed, named),
  ].join(' | ')} |`;
}

/** What is said of two faults at once, and how often a second one is named where there is none. */
function pairRow(name: string, all: readonly Judged[]): string {
  const two = all.filter((c) => c.truth.length > 1);
  const single = all.filter((c) => c.truth.length === 1 && isFault(c.truth[0]!));
  const right = (c: Judged) => c.also.some((cause) => c.truth.includes(cause));
  return `| ${[
    name,
    pct(two, (c) => c.grade !== 'inconclusive' && c.truth.includes(c.leader)),
    pct(two, (c) => c.truth.every((cause) => c.first.includes(cause))),
    pct(two, right),
    pct(single, (c) => c.also.length > 0),
  ].join(' | ')} |`;
}

/** The layer on drives that it did not learn from: each field vehicle left out in turn, and each part of the worlds. */
export function examine(cases: readonly LearnCase[], seed: number): string {
  const vehicles = [...new Set(cases.filter((c) => c.origin === 'field').map((c) => c.group))].sort();
  const worlds = [...new Set(cases.filter((c) => c.origin === 'world').map((c) => c.group))].sort();
  const field = vehicles.map((v) => ({ v, judged: judgedWithout(cases, (c) => c.group === v, seed) }));
  const parts = Array.from({ length: worlds.length > 0 ? PARTS : 0 }, (_, i) =>
    worlds.filter((_w, k) => k % PARTS === i),
  );
  const drawn = parts.map((part) => judgedWithout(cases, (c) => part.includes(c.group), seed));
  return [
    '| left out | observable faults named | sound named | too cold named | accused, likely or more | confirmed is right |',
    '|---|---|---|---|---|---|',
    row(
      'every vehicle in turn',
      field.flatMap((f) => f.judged),
    ),
    ...field.map((f) => row(f.v, f.judged)),
    row('every part of the worlds in turn', drawn.flat()),
    '',
    '| left out | one of two faults named first | both among the first three | second named beside | named beside a single fault |',
    '|---|---|---|---|---|',
    pairRow(
      'every vehicle in turn',
      field.flatMap((f) => f.judged),
    ),
    pairRow('every part of the worlds in turn', drawn.flat()),
  ].join('\n');
}
