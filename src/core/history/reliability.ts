import { CAUSES, type Cause } from '../base';
import type { Grade } from '../evidence';
import type { PastJob } from './pastJob';

/** Fewer than so many say nothing. */
export const FEW = 5;

/** A share that was counted, with the range in which the true share lies nine times of ten. */
export interface Counted {
  readonly n: number;
  readonly hits: number;
  /** Null with nothing counted. */
  readonly share: number | null;
  readonly low: number;
  readonly high: number;
  /** Too few to say. */
  readonly few: boolean;
}

/** 90 % of a normal lies within this. */
const Z_90 = 1.6449;

/** A share of a count by Wilson's score interval. Source: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927) 209-212. */
export function counted(hits: number, n: number): Counted {
  if (n === 0) return { n, hits, share: null, low: 0, high: 1, few: true };
  const p = hits / n;
  const z2 = Z_90 ** 2;
  const middle = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_90 / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return { n, hits, share: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half), few: n < FEW };
}

/** True where the first finding led to the act that the truth asks for. */
export function wasRight({ first, truth }: PastJob): boolean | null {
  if (!first || !truth || first.claimed === null) return null;
  return truth.causes.some((c) => first.group.includes(c));
}

/** How often what was claimed with about this much came true. */
export interface ReliabilityBin {
  readonly from: number;
  readonly to: number;
  /** Mean of what was claimed; null with nothing in it. */
  readonly claimed: number | null;
  readonly right: Counted;
}

/** How far the first finding can be trusted. */
export interface Reliability {
  readonly all: Counted;
  /** Jobs whose truth is known and whose first finding named nothing. */
  readonly couldNotTell: number;
  readonly byGrade: readonly { readonly grade: Grade; readonly claimed: number | null; readonly right: Counted }[];
  readonly byCause: readonly { readonly cause: Cause; readonly right: Counted }[];
  readonly bins: readonly ReliabilityBin[];
  /** Mean distance of claim and outcome over the bins, weighted by their counts; null with too few. */
  readonly miscalibration: number | null;
  /** Jobs that do not count, by the reason. */
  readonly notCounted: Readonly<Record<string, number>>;
}

const EDGES = [0.5, 0.65, 0.8, 0.95, 1] as const;
const GRADES: readonly Grade[] = ['confirmed', 'likely', 'suspect'];
const mean = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length;

/** The first findings of all jobs against what turned out. */
export function reliabilityOf(jobs: readonly PastJob[]): Reliability {
  const judged = jobs.flatMap((job) => {
    const right = wasRight(job);
    return right === null ? [] : [{ first: job.first!, claimed: job.first!.claimed!, right }];
  });
  const rightOf = (some: typeof judged) => counted(some.filter((j) => j.right).length, some.length);
  const bins = EDGES.slice(0, -1).map((from, i): ReliabilityBin => {
    const to = EDGES[i + 1]!;
    const inside = judged.filter((j) => j.claimed >= from && (j.claimed < to || (to === 1 && j.claimed <= 1)));
    return { from, to, claimed: mean(inside.map((j) => j.claimed)), right: rightOf(inside) };
  });
  const notCounted: Record<string, number> = {};
  for (const job of jobs) {
    if (job.truth !== null) continue;
    notCounted[job.noTruth] = (notCounted[job.noTruth] ?? 0) + 1;
  }
  const off = bins.reduce((s, b) => s + (b.claimed === null ? 0 : b.right.n * Math.abs(b.claimed - b.right.share!)), 0);
  return {
    all: rightOf(judged),
    couldNotTell: jobs.filter((j) => j.truth !== null && j.first !== null && j.first.claimed === null).length,
    byGrade: GRADES.map((grade) => {
      const some = judged.filter((j) => j.first.grade === grade);
      return { grade, claimed: mean(some.map((j) => j.claimed)), right: rightOf(some) };
    }),
    byCause: CAUSES.flatMap((cause) => {
      const some = judged.filter((j) => j.first.cause === cause);
      return some.length === 0 ? [] : [{ cause, right: rightOf(some) }];
    }).sort((a, b) => b.right.n - a.right.n),
    bins,
    miscalibration: judged.length < FEW ? null : off / judged.length,
    notCounted,
  };
}
