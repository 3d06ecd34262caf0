'use client';

import { useState } from 'react';
import {
  elapsedAt,
  NOT_BEGUN,
  paused,
  standingAt,
  started,
  stepBack,
  stepEnded,
  stepsOf,
  type Procedure,
  type Run,
} from '@/core/procedure';
import { ProcedureRunner } from '../runner/ProcedureRunner';

const MINUTE_MS = 60_000;

/** A procedure tried without a car: its clock is moved by hand, and nothing is kept. */
export function DryRun({ procedure, onClose }: { procedure: Procedure; onClose: () => void }) {
  const [{ run, now }, set] = useState<{ readonly run: Run; readonly now: number }>({ run: NOT_BEGUN, now: 0 });
  const steps = stepsOf(procedure);
  const change = (to: (run: Run, now: number) => Run) => set((s) => ({ ...s, run: to(s.run, s.now) }));
  const here = standingAt(steps, run, now);
  const forward = (ms: number) => set((s) => ({ ...s, now: s.now + ms }));
  return (
    <section aria-label="Dry run" className="border-t-4 border-primary pt-3" data-testid="dry-run">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-2xl type-sign">Dry run, no car</h2>
        <button type="button" className="btn" disabled={run.runningSince === null} onClick={() => forward(MINUTE_MS)}>
          A minute later
        </button>
        <button
          type="button"
          className="btn"
          disabled={run.runningSince === null || here === null || here.left_s === null}
          onClick={() => forward(1000 * (here?.left_s ?? 0))}
        >
          To the end of the step
        </button>
        <button type="button" className="btn ml-auto btn-ghost" onClick={onClose}>
          Back to writing
        </button>
      </div>
      <div className="mt-3">
        <ProcedureRunner
          procedure={procedure}
          run={run}
          now={now}
          elapsed_s={elapsedAt(run, now)}
          actions={{
            start: () => change(started),
            pause: () => change(paused),
            done: (turn) => change((r, t) => stepEnded(steps, r, t, turn)),
            back: () => change((r, t) => stepBack(steps, r, t)),
          }}
        />
      </div>
    </section>
  );
}
