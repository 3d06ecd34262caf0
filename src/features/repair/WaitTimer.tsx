'use client';

import { inWindow, NOT_BEGUN, started, type Procedure } from '@/core/procedure';
import { useRun } from '@/job/useRun';
import type { RunKind } from '@/storage/records';
import { clock } from '@/ui/clock';

/** A wait with a least and a most time: cooling, curing, soaking, cleaning. It goes on through reload and sleep. */
export function WaitTimer({ kind, procedure }: { kind: RunKind; procedure: Procedure }) {
  const { running, elapsed_s, change } = useRun(kind);
  const [step] = procedure.steps;
  if (!step) return null;
  const { least_s, most_s } = step;
  const where = inWindow(step, elapsed_s);
  const begun = elapsed_s > 0 || running;
  const left_s = where === 'too-short' ? least_s! - elapsed_s : most_s === null ? null : most_s - elapsed_s;
  const words =
    where === 'too-short'
      ? 'to go'
      : where === 'too-long'
        ? 'past its most time'
        : left_s === null
          ? 'long enough'
          : 'until its most time';
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2" data-testid={`timer-${kind}`}>
      <p
        role="timer"
        className={`text-5xl type-sign tabular-nums ${where === 'too-long' ? 'text-error' : where === 'right' && begun ? 'text-success' : ''}`}
      >
        {begun ? clock(left_s === null ? elapsed_s : Math.abs(left_s)) : clock(least_s ?? 0)}
      </p>
      <p className="min-w-40 flex-1 leading-snug">
        <strong>{procedure.name}</strong> {begun ? words : 'not begun'}
        {most_s === null ? '' : `; between ${clock(least_s ?? 0)} and ${clock(most_s)}`}
      </p>
      <button
        type="button"
        className="btn min-h-14 min-w-28 btn-lg"
        onClick={() => (begun ? change(() => NOT_BEGUN, `It stood at ${clock(elapsed_s)}.`) : change(started))}
      >
        {begun ? 'Reset' : 'Start'}
      </button>
    </div>
  );
}
