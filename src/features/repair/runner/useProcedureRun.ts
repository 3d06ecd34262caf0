'use client';

import { useState } from 'react';
import { NOT_BEGUN, paused, started, stepBack, stepEnded, stepsOf, type Procedure } from '@/core/procedure';
import { useRun, type RunInHand } from '@/job/useRun';
import { useKeep } from '@/job/useKeep';
import { useJob } from '@/job/JobProvider';
import type { RunKind } from '@/storage/records';
import { shelveRun } from '@/storage/runs';
import { beep, STEP_OVER } from '@/ui/beep';
import { clock } from '@/ui/clock';
import { useWakeLock } from '@/ui/useWakeLock';
import type { RunnerActions } from './ProcedureRunner';

/** How long the hand feels that a step is over, ms. */
const BUZZ_MS = 400;

/** A kept run of a procedure, with what its screen needs: buttons, sound, a screen that stays awake. */
export interface ProcedureRun extends RunInHand {
  readonly actions: RunnerActions;
  readonly loud: boolean;
  readonly setLoud: (loud: boolean) => void;
  /** Kept awake; null where this browser cannot. */
  readonly awake: boolean | null;
  /** Sounds and buzzes, if it may. */
  readonly signal: () => void;
  /** Puts this run aside and begins from the start. */
  readonly anew: () => void;
}

/** Follows a run of a procedure. */
export function useProcedureRun(kind: RunKind, procedure: Procedure): ProcedureRun {
  const { job } = useJob();
  const keep = useKeep();
  const hand = useRun(kind);
  const { change, running, elapsed_s } = hand;
  const [loud, setLoud] = useState(true);
  const awake = useWakeLock(running);
  const steps = stepsOf(procedure);
  return {
    ...hand,
    ...{ loud, setLoud, awake },
    actions: {
      start: () => change(started),
      pause: () => change(paused),
      done: (turn) => change((r, at) => stepEnded(steps, r, at, turn)),
      back: () => change((r, at) => stepBack(steps, r, at), 'One step back.'),
    },
    signal: () => {
      // A page that nobody has touched since it was opened may neither sound nor buzz.
      if (!loud || !navigator.userActivation.hasBeenActive) return;
      beep(STEP_OVER);
      navigator.vibrate?.(BUZZ_MS);
    },
    anew: () => {
      const now = Date.now();
      keep(() => shelveRun(job.id, kind, now), { says: `The run of ${clock(elapsed_s)} is put aside.` });
      change(() => NOT_BEGUN);
    },
  };
}
