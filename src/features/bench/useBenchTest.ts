'use client';

import { useCallback } from 'react';
import type { BenchTest } from '@/core/bench';
import { benchTests, type BenchEntry, type BenchRef } from '@/core/case';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { changeBench, undoEntries } from '@/storage/entries';

/** A bench test of the open job, with the ways to change it. */
export interface BenchInHand<T extends BenchTest> {
  /** What stands, or what a first reading starts from. */
  readonly test: T;
  /** The entry that holds it; null before the first reading. */
  readonly entry: BenchEntry | null;
  /** Earlier tests of the same, latest first. */
  readonly earlier: readonly BenchEntry[];
  /** Changes it where it is kept; said and undone where words are given. */
  readonly change: (to: (now: T) => T, says?: string) => void;
  /** Begins another test, from the one that stands; that one is kept. */
  readonly again: (to: (now: T) => T, says: string) => void;
}

/** Follows the bench test that a reference means. @param first what a test begins with */
export function useBenchTest<T extends BenchTest>(ref: BenchRef & { readonly of: T['of'] }, first: T): BenchInHand<T> {
  const { job, entries } = useJob();
  const keep = useKeep();
  const [standing, ...earlier] = benchTests(entries, ref);
  const put = useCallback(
    (to: (now: T) => T, says: string | undefined, anew: boolean) =>
      keep(
        () => changeBench(job.id, ref, (now) => to((now as T | null) ?? first), anew),
        says === undefined ? {} : { says, undo: undoEntries },
      ),
    [first, job.id, ref, keep],
  );
  return {
    test: (standing?.test as T | undefined) ?? first,
    entry: standing ?? null,
    earlier,
    change: (to, says) => put(to, says, false),
    again: (to, says) => put(to, says, true),
  };
}
