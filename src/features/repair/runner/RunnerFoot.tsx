'use client';

import { clock } from '@/ui/clock';
import type { ProcedureRun } from './useProcedureRun';

/** Sound, screen, time that nobody watched, and another run. */
export function RunnerFoot({ hand }: { hand: ProcedureRun }) {
  const { elapsed_s, running, loud, setLoud, awake, unwatched_ms, takeOff, letStand, anew } = hand;
  return (
    <div className="mt-4 space-y-2 print:hidden">
      {unwatched_ms !== null && (
        <div
          role="status"
          className="flex flex-wrap items-center gap-3 border-l-8 border-warning pl-3"
          data-testid="unwatched"
        >
          <p className="flex-1 leading-snug">
            <strong>{clock(unwatched_ms / 1000)} passed while nobody watched.</strong> The computer slept: it counts. Or
            its clock was put forward: take it off.
          </p>
          <button type="button" className="btn" onClick={letStand}>
            It counts
          </button>
          <button type="button" className="btn" onClick={takeOff}>
            Take it off
          </button>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <span data-testid="run-elapsed">Since the start {clock(elapsed_s)}</span>
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="checkbox" checked={loud} onChange={(e) => setLoud(e.target.checked)} />
          Sound and buzz
        </label>
        <span className="type-label">
          {awake === null
            ? 'This browser lets the screen sleep; the times stay right.'
            : awake
              ? 'Screen stays on.'
              : running
                ? 'The screen may sleep; the times stay right.'
                : ''}
        </span>
        {!running && elapsed_s > 0 && (
          <button type="button" className="btn" onClick={anew}>
            Begin anew
          </button>
        )}
      </div>
    </div>
  );
}
