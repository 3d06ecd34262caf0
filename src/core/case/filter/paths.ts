import { CAUSES, isFault, perCause, type Cause, type PerCause } from '../../base';
import { logSumExp } from '../../signal';
import { badPartOdds, workSpec, type WorkKind, type WorkRisks } from '../work';

/** One story of the job: what was wrong at arrival, what is wrong now, and whether the last work brought it. */
export interface Path {
  readonly first: Cause;
  readonly now: Cause;
  /** The present fault came with the last work: a bad part, something left unplugged, air left behind. */
  readonly brought: boolean;
  readonly log: number;
}

/** Paths less likely than the best by more than this, in units of log odds, can never come back. */
const FORGOTTEN_BELOW = 30;

/** The stories at arrival: one per cause. */
export const arrivalPaths = (logPriors: PerCause<number>): Path[] =>
  CAUSES.filter((c) => logPriors[c] > -Infinity).map((cause) => ({
    ...{ first: cause, now: cause, brought: false },
    log: logPriors[cause],
  }));

/** Puts together stories that have become the same, and drops what cannot matter any more. */
function merged(paths: readonly Path[]): Path[] {
  const byStory = new Map<string, Path[]>();
  for (const p of paths) {
    const story = `${p.first} ${p.now} ${p.brought}`;
    byStory.set(story, [...(byStory.get(story) ?? []), p]);
  }
  const one = [...byStory.values()].map((same) => ({ ...same[0]!, log: logSumExp(same.map((p) => p.log)) }));
  const best = Math.max(...one.map((p) => p.log));
  return one.filter((p) => p.log > best - FORGOTTEN_BELOW);
}

const marginal = (paths: readonly Path[], of: (path: Path) => Cause): PerCause<number> => {
  const logs = perCause((): number[] => []);
  for (const path of paths) logs[of(path)].push(path.log);
  return perCause((c) => logSumExp(logs[c]));
};

/** Log odds of what is wrong now, and of what was wrong at arrival. */
export const nowLogs = (paths: readonly Path[]): PerCause<number> => marginal(paths, (p) => p.now);
export const arrivalLogs = (paths: readonly Path[]): PerCause<number> => marginal(paths, (p) => p.first);

/** Adds evidence about the present state. */
export const seen = (paths: readonly Path[], logs: PerCause<number>): Path[] =>
  paths.map((p) => ({ ...p, log: p.log + logs[p.now] })).filter((p) => p.log > -Infinity);

/** Adds evidence about whether what is wrong now came with the work. */
export const seenOfWork = (paths: readonly Path[], log: (path: Path) => number): Path[] =>
  paths.map((p) => ({ ...p, log: p.log + log(p) }));

/**
 * Before the first drive after work: whether a sound car reaches its temperature is a matter of the drive, not of the
 * car, so that both kinds of sound stand open again, by their base rates. The drive itself settles which.
 */
export function weatherOpen(paths: readonly Path[], rates: PerCause<number>): Path[] {
  const all = rates.healthy + rates['insufficient-heat'];
  const open = paths.flatMap((p) =>
    isFault(p.now)
      ? [p]
      : (['healthy', 'insufficient-heat'] as const).map((now) => ({
          ...p,
          now,
          log: p.log + Math.log(rates[now] / all),
        })),
  );
  return merged(open);
}

/** What is needed beside the work itself. */
export interface WorkSituation {
  readonly risks: WorkRisks;
  readonly benchPassed: boolean;
  /** How often the same work was done on this job already. */
  readonly before: number;
  readonly rates: PerCause<number>;
  /** Causes that can be on this car. */
  readonly possible: PerCause<boolean>;
  /** Nothing was seen since the work before: both are one visit, and what the one brought came with both. */
  readonly sameVisit: boolean;
}

/** Whatever a shop writes of itself, some work leaves nothing behind. */
const MOST_BROUGHT = 0.9;

/** Faults that a work brings with it, each with its probability: a bad part, air, what was unplugged. */
function broughtBy(work: WorkKind, { risks, benchPassed, before, rates, possible }: WorkSituation) {
  const spec = workSpec(work);
  const shares = new Map<Cause, number>();
  const add = (cause: Cause, share: number) => {
    if (possible[cause]) shares.set(cause, (shares.get(cause) ?? 0) + share);
  };
  const bad = spec.brings.length > 0 ? badPartOdds(risks, benchPassed, before) : 0;
  const total = spec.brings.reduce((sum, c) => sum + rates[c], 0);
  for (const cause of spec.brings) add(cause, (bad * rates[cause]) / total);
  if (spec.opens) add('low-coolant-or-air', risks.airLeft);
  for (const [cause, weight] of Object.entries(spec.unplugs) as [Cause, number][]) add(cause, weight * risks.unplugged);
  const all = [...shares.values()].reduce((sum, p) => sum + p, 0);
  return all > MOST_BROUGHT ? new Map([...shares].map(([c, p]) => [c, (p * MOST_BROUGHT) / all])) : shares;
}

/** What work does to one story. */
function worked(path: Path, work: WorkKind, shares: ReadonlyMap<Cause, number>, sameVisit: boolean): Path[] {
  const cured = isFault(path.now) ? (workSpec(work).cures[path.now] ?? 0) : 1;
  const kept = isFault(path.now) ? 'healthy' : path.now;
  const left = [...shares.values()].reduce((sum, p) => sum + p, 0);
  const to = (now: Cause, p: number, brought: boolean): Path => ({
    ...{ first: path.first, now, brought },
    log: path.log + Math.log(cured * p),
  });
  return [
    { ...path, brought: path.brought && sameVisit, log: path.log + Math.log(1 - cured) },
    to(kept, 1 - left, false),
    ...[...shares].map(([cause, p]) => to(cause, p, true)),
  ].filter((p) => p.log > -Infinity);
}

/** The stories after work: parts are sound again but for a few, the rest stays, and a little is brought. */
export function afterWork(paths: readonly Path[], work: WorkKind, situation: WorkSituation): Path[] {
  const shares = broughtBy(work, situation);
  return merged(paths.flatMap((p) => worked(p, work, shares, situation.sameVisit)));
}
