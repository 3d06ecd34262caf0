import type { Cause } from '@/core/base';
import type { Case, Entry } from '@/core/case';
import { sameAct, type Grade } from '@/core/evidence';
import type { PastJob } from '@/core/history';
import { made, madeDrive } from './madeCases';

/** The case of a chronicle whose drives have these log likelihoods by cause; all other causes lie far below. */
export const madeCase = (
  entries: readonly Entry[],
  drives: Readonly<Record<string, Partial<Record<Cause, number>>>>,
): Case => made(entries, Object.fromEntries(Object.entries(drives).map(([id, course]) => [id, madeDrive(course)])));

/** A past job written by hand. */
export const madePastJob = (change: Partial<PastJob> & { readonly jobId: string }): PastJob => ({
  ...{ vehicleId: change.jobId, arrivedAt: 0, first: null, truth: null, noTruth: 'no verdict yet' },
  ...{
    works: [],
    parts: [],
    minutes: { planned: null, taken: null },
    cost: { planned: null, actual: null },
    tests: [],
  },
  ...change,
});

const gradeFor = (claimed: number): Grade => (claimed >= 0.95 ? 'confirmed' : claimed >= 0.8 ? 'likely' : 'suspect');

/** So many jobs of a first finding that was claimed with this, so many of which were right. */
export interface MadeGroup {
  readonly cause: Cause;
  readonly claimed: number;
  readonly jobs: number;
  readonly right: number;
  /** What it was where the finding was wrong. */
  readonly really: Cause;
}

/** Jobs of which the truth is known, group by group. */
export function madeHistory(groups: readonly MadeGroup[]): PastJob[] {
  return groups.flatMap(({ cause, claimed, jobs, right, really }, g) =>
    Array.from({ length: jobs }, (_, i) =>
      madePastJob({
        jobId: `g${g}-${i}`,
        first: { at: 0, cause, group: sameAct(cause), grade: gradeFor(claimed), claimed },
        truth: { causes: [i < right ? cause : really], by: 'fault-found' },
        noTruth: '',
      }),
    ),
  );
}
