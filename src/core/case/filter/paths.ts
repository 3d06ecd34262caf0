import { CAUSE_PLACE, CAUSES, perCause, SIGNAL_CAUSES, type Cause, type PerCause } from '../../base';
import { COURSE_LINE, VISIBILITY_LINE, type DriveEvidence, type DriveWay } from '../../evidence';
import { logSumExp } from '../../signal';
import { badPartOdds, workSpec, type WorkKind, type WorkRisks } from '../work';
import { chained, knownFrom, without, type Known } from './chain';

/**
 * One story of the job: what was wrong at arrival, what is wrong now, in which way, and what the drives so far found of
 * the vehicle if it is true.
 */
export interface Path {
  readonly first: Cause;
  readonly now: Cause;
  /** Way in which the present cause comes about, once a drive has told ways apart. */
  readonly way: string | null;
  readonly log: number;
  readonly known: Known | null;
}

/** Paths less likely than the best by more than this, in units of log odds, can never come back. */
const FORGOTTEN_BELOW = 30;
/** Paths carried at most; a job of many repairs has thousands of stories, nearly all of them absurd. */
const MOST_PATHS = 400;
/** What a way loses in a drive whose best ways lie so far above it that it was not carried. */
const NOT_CARRIED = 12;

const sound = (cause: Cause): boolean => CAUSE_PLACE[cause].family === 'sound';

/** The stories at arrival: one per cause. */
export const arrivalPaths = (logPriors: PerCause<number>): Path[] =>
  CAUSES.filter((c) => logPriors[c] > -Infinity).map((cause) => ({
    ...{ first: cause, now: cause, way: null, known: null },
    log: logPriors[cause],
  }));

/** Drops what cannot matter any more and puts together stories that have become the same. */
function pruned(paths: readonly Path[]): Path[] {
  const best = Math.max(...paths.map((p) => p.log));
  const kept = paths.filter((p) => p.log > best - FORGOTTEN_BELOW).sort((a, b) => b.log - a.log);
  return kept.slice(0, MOST_PATHS);
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
  pruned(paths.map((p) => ({ ...p, log: p.log + logs[p.now] })));

/**
 * Before a further drive, or one after work: whether a sound vehicle reaches its temperature is a matter of the drive,
 * not of the vehicle, so that both kinds of sound stand open again. The drive itself settles which.
 */
export function weatherOpen(paths: readonly Path[]): Path[] {
  const soundPaths = paths.filter((p) => sound(p.now));
  const merged = new Map<string, Path[]>();
  for (const p of soundPaths) {
    const key = `${p.first} ${p.way ?? ''}`;
    merged.set(key, [...(merged.get(key) ?? []), p]);
  }
  const open = [...merged.values()].flatMap((same) => {
    const best = same.reduce((a, b) => (b.log > a.log ? b : a));
    const log = logSumExp(same.map((p) => p.log));
    return (['healthy', 'insufficient-heat'] as const).map((now): Path => ({ ...best, now, log }));
  });
  return [...paths.filter((p) => !sound(p.now)), ...open];
}

/** Ways of a cause in a drive; causes without a course of their own show a sound vehicle's. */
function waysOf(drive: DriveEvidence, cause: Cause): readonly DriveWay[] {
  const shown = sound(cause) || SIGNAL_CAUSES.includes(cause) ? 'healthy' : cause;
  return drive.ways.filter((w) => w.cause === shown);
}

/** One story after the course of a drive: one per way in which its cause can have come about. */
function driven(path: Path, course: PerCause<number>, drive: DriveEvidence): Path[] {
  const log = path.log + course[path.now];
  const ways = waysOf(drive, path.now);
  if (ways.length === 0) return [{ ...path, log }];
  if (path.way !== null && !ways.some((w) => w.variant === path.way)) return [{ ...path, log: log - NOT_CARRIED }];
  return ways
    .filter((w) => path.way === null || w.variant === path.way)
    .map((way) => {
      // The second time a way is asked its share among the ways of its cause is known already.
      const share = path.way === null ? way.within : way.within - Math.log(way.share);
      const chain = path.known ? chained(path.known, way, drive.basis) : { known: knownFrom(way, drive.basis), log: 0 };
      return { ...path, way: way.variant, known: chain.known, log: log + share + chain.log };
    });
}

/** The stories after the course of a drive, chained to the drives before it. */
export function afterCourse(paths: readonly Path[], drive: DriveEvidence): Path[] {
  const course = drive.evidence.find((l) => l.id === COURSE_LINE)?.logLikelihood;
  return course ? pruned(paths.flatMap((p) => driven(p, course, drive))) : [...paths];
}

/**
 * What a drive adds to the weight of faults by what it could have shown of them: of all drives so far the one that
 * showed most counts, once.
 */
export function visibilityGain(shown: PerCause<number> | null, drive: DriveEvidence): PerCause<number> {
  const now = drive.evidence.find((l) => l.id === VISIBILITY_LINE)?.logLikelihood ?? perCause(() => 0);
  return shown ? perCause((c) => Math.max(0, now[c] - shown[c])) : now;
}

/** What work does to one story. */
function worked(path: Path, work: WorkKind, bad: number, air: number, rates: PerCause<number>): Path[] {
  const spec = workSpec(work);
  const cured = sound(path.now) ? 1 : (spec.cures[path.now] ?? 0);
  const fresh = path.known && without(path.known, (name) => spec.renews.includes(name));
  const renewed = fresh && without(fresh, (_, isSeverity) => isSeverity);
  const stays: Path = { ...path, log: path.log + Math.log(1 - cured), known: fresh };
  const badShare = spec.brings.length > 0 ? bad : 0;
  const airShare = spec.opens ? air : 0;
  const to = (now: Cause, p: number): Path => ({
    ...{ first: path.first, now, way: null, known: renewed },
    log: path.log + Math.log(cured * p),
  });
  const total = spec.brings.reduce((sum, c) => sum + rates[c], 0);
  const kept = sound(path.now) ? path.now : 'healthy';
  return [
    stays,
    to(kept, 1 - badShare - airShare),
    to('low-coolant-or-air', airShare),
    ...spec.brings.map((c) => to(c, (badShare * rates[c]) / total)),
  ].filter((p) => p.log > -Infinity);
}

/** What is needed beside the work itself. */
export interface WorkSituation {
  readonly risks: WorkRisks;
  readonly benchPassed: boolean;
  /** How often the same work was done on this job already. */
  readonly before: number;
  readonly rates: PerCause<number>;
}

/** The stories after work: parts are sound again but for a few, the rest stays. */
export function afterWork(paths: readonly Path[], work: WorkKind, situation: WorkSituation): Path[] {
  const bad = badPartOdds(situation.risks, situation.benchPassed, situation.before);
  const { airLeft } = situation.risks;
  return pruned(paths.flatMap((p) => worked(p, work, bad, airLeft, situation.rates)));
}
