'use client';

import { useEffect, useState } from 'react';
import { watchPastJobs } from '@/storage/pastJobs';
import { countPastJobs, inSight, NOTHING_COUNTED, type PastJobs } from './countPastJobs';
import { followChanges } from './followChanges';
import { useFigures } from './useFigures';

/** Least time between two counts while jobs keep changing, ms. */
const REST_MS = 2000;

/** Every job of the shop, counted again when one changes while the last count stays in sight; leaving ends it. */
export function usePastJobs(): PastJobs {
  const shop = useFigures();
  const [state, setState] = useState(NOTHING_COUNTED);
  const [failure, setFailure] = useState<{ readonly error: unknown } | null>(null);
  // For the page that says what went wrong and leads on.
  if (failure) throw failure.error;
  const figures = shop?.figures;
  useEffect(() => {
    if (!figures) return undefined;
    let live = true;
    const tell = (found: PastJobs) => setState((was) => inSight(was, found));
    const count = followChanges(() => countPastJobs(figures, () => live, tell), REST_MS);
    const fail = (error: unknown) => setFailure({ error });
    const unwatch = watchPastJobs(() => void count.changed().catch(fail), fail);
    return () => {
      live = false;
      count.end();
      unwatch();
    };
  }, [figures]);
  return state;
}
