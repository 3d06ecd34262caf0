import { WORK, type WorkKind } from '../case';
import type { PastJob } from './pastJob';
import { FEW } from './reliability';

/** Planned against taken, of jobs of which both are known. */
export interface PlannedTaken {
  readonly n: number;
  readonly planned: number;
  readonly taken: number;
  /** Taken over planned, median of the jobs; null with none. */
  readonly ratio: number | null;
  readonly few: boolean;
}

/** The same for one kind of work. */
export interface WorkPlannedTaken extends PlannedTaken {
  readonly work: WorkKind;
}

function median(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

type Pair = { readonly planned: number | null; readonly taken: number | null };

function over(pairs: readonly Pair[]): PlannedTaken {
  const both = pairs.flatMap((p) =>
    p.planned !== null && p.taken !== null && p.planned > 0 ? [{ planned: p.planned, taken: p.taken }] : [],
  );
  return {
    n: both.length,
    planned: both.reduce((s, p) => s + p.planned, 0),
    taken: both.reduce((s, p) => s + p.taken, 0),
    ratio: median(both.map((p) => p.taken / p.planned)),
    few: both.length < FEW,
  };
}

/** Minutes and cost of all jobs, planned against taken, and minutes by the first kind of work. */
export function plannedAgainstTaken(jobs: readonly PastJob[]) {
  const kinds = [...new Set(jobs.flatMap((j) => j.works.slice(0, 1).map((w) => w.work)))];
  return {
    minutes: over(jobs.map((j) => j.minutes)),
    cost: over(jobs.map((j) => ({ planned: j.cost.planned, taken: j.cost.actual }))),
    byWork: kinds
      .map((work): WorkPlannedTaken => ({
        work,
        ...over(jobs.filter((j) => j.works[0]?.work === work).map((j) => j.minutes)),
      }))
      .filter((w) => w.n > 0)
      .sort((a, b) => b.n - a.n || WORK[a.work].done.localeCompare(WORK[b.work].done)),
  };
}
