'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import {
  afterSetBack,
  clockJump,
  elapsedAt,
  NOT_BEGUN,
  seenAt,
  takenUp,
  withoutTime,
  type ClockReading,
  type Run,
} from '@/core/procedure';
import type { RunKind } from '@/storage/records';
import { changeRun, loadRun, undoRun } from '@/storage/runs';
import { useNow } from '@/ui/useNow';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';
import { useWrite } from './useWrite';

/** How often a run that goes on is marked as seen, and both clocks are compared, ms. */
const BEAT_MS = 5000;
const WATCH_MS = 250;
/** Shorter stretches that nobody watched need no word, ms. */
const WORTH_SAYING_MS = 10_000;

/** A run of the open job. */
export interface RunInHand {
  readonly run: Run;
  readonly running: boolean;
  /** ms since 1970. */
  readonly now: number;
  readonly elapsed_s: number;
  /**
   * Changes it where it is kept; said and undone where words are given. The moment is that of the call, however long it
   * takes to be kept.
   */
  readonly change: (to: (run: Run, at_ms: number) => Run, says?: string) => void;
  /** Time that passed while nobody watched, ms: asleep, or the clock was put forward; null when none did. */
  readonly unwatched_ms: number | null;
  /** Takes that time off again, or lets it stand. */
  readonly takeOff: () => void;
  readonly letStand: () => void;
}

const readClocks = (): ClockReading => ({ wall_ms: Date.now(), steady_ms: performance.now() });

/** Follows a run of the open job; its time stays right through reload, sleep, and a clock that is set back. */
export function useRun(kind: RunKind): RunInHand {
  const { job } = useJob();
  const keep = useKeep();
  const write = useWrite();
  const run = useLiveQuery(() => loadRun(job.id, kind), [job.id, kind]) ?? NOT_BEGUN;
  const running = run.runningSince !== null;
  const now = useNow(running);
  const [unwatched_ms, setUnwatched] = useState<number | null>(null);
  const change: RunInHand['change'] = (to, says) => {
    const at_ms = Date.now();
    let after: Run = NOT_BEGUN;
    keep(
      () => changeRun(job.id, kind, (r) => (after = to(r, at_ms))),
      says === undefined ? {} : { says, undo: (before: Run) => undoRun(job.id, kind, before, after) },
    );
  };
  const clocks = useRef<ClockReading | null>(null);
  const watch = useEffectEvent(() => {
    const read = readClocks();
    const jump = clocks.current && clockJump(clocks.current, read);
    clocks.current = read;
    if (jump?.kind === 'set-back') {
      const since = run.runningSince;
      change((r) => afterSetBack(r, jump.by_ms, since, read.wall_ms));
    } else if (jump && jump.by_ms >= WORTH_SAYING_MS) setUnwatched(jump.by_ms);
  });
  const takeUp = useEffectEvent(() => {
    if (run.seen_ms != null && Date.now() < run.seen_ms) change(takenUp);
  });
  // Nobody's change: one that cannot be kept is followed by the next.
  const beat = useEffectEvent(() => void write(changeRun(job.id, kind, (r) => seenAt(r, Date.now()))));
  useEffect(() => {
    if (!running) return undefined;
    clocks.current = readClocks();
    takeUp();
    const watching = setInterval(watch, WATCH_MS);
    const beating = setInterval(beat, BEAT_MS);
    return () => {
      clearInterval(watching);
      clearInterval(beating);
    };
  }, [running]);
  const takeOff = () => {
    if (unwatched_ms !== null) change((r, at) => withoutTime(r, unwatched_ms, at), 'Taken off.');
    setUnwatched(null);
  };
  return {
    ...{ run, running, now, change, unwatched_ms, takeOff },
    elapsed_s: elapsedAt(run, now),
    letStand: () => setUnwatched(null),
  };
}
