'use client';

import { useEffect, useEffectEvent, useRef, type ReactNode } from 'react';
import {
  cautionsOf,
  inWindow,
  standingAt,
  standsAt,
  stepsOf,
  timeLeft,
  type Procedure,
  type ProcedureStep,
  type Run,
  type Standing,
  type Step,
  type Turn,
  type Wait,
} from '@/core/procedure';
import { Cautions } from '@/job/Cautions';
import { clock } from '@/ui/clock';
import { useUnits } from '@/ui/units';

/** Where a procedure stands. */
export type ProcedureStanding = Standing<Step<Wait> & ProcedureStep>;

/** What the buttons of a runner do. */
export interface RunnerActions {
  readonly start: () => void;
  readonly pause: () => void;
  readonly done: (turn: Turn) => void;
  readonly back: () => void;
}

const ENGINE_NAME = { off: 'Engine off', idle: 'Idle', raised: 'Raised', driven: 'Drive' } as const;
const BIG = 'btn min-h-24 min-w-40 flex-1 btn-xl text-2xl';

/** What the engine, cap and clamp do at a step, in signs as large as the step. */
function Signs({ procedure, at }: { procedure: Procedure; at: ProcedureStanding }) {
  const { capOff, clamped } = standsAt(procedure, at.index);
  const { engine, rpmLow, rpmHigh } = at.step;
  const speed = engine === 'raised' && rpmLow !== null && rpmHigh !== null ? `${rpmLow} to ${rpmHigh} rpm` : null;
  const sign = 'border-2 border-base-content px-3 py-1 text-2xl type-sign whitespace-nowrap';
  return (
    <p className="mt-3 flex flex-wrap gap-3" data-testid="runner-signs">
      <span className={sign}>{speed ?? ENGINE_NAME[engine]}</span>
      <span className={sign}>{capOff ? 'Cap off' : 'Cap on'}</span>
      {clamped && <span className={`${sign} bg-error text-error-content`}>Hose pinched</span>}
    </p>
  );
}

/** What ends the step, in buttons for gloves. */
function Ends({ at, actions }: { at: ProcedureStanding; actions: RunnerActions }) {
  const { step, lap } = at;
  const early = inWindow(step, at.since_s) === 'too-short';
  const tooOften = step.mostTimes !== null && lap + 1 >= step.mostTimes;
  if (step.backTo !== null) {
    return (
      <>
        <button type="button" className={`${BIG} btn-outline`} onClick={() => actions.done('again')}>
          Again
        </button>
        <button type="button" className={`${BIG} btn-primary`} onClick={() => actions.done('on')}>
          Enough, go on
        </button>
        <p className="order-last basis-full text-lg leading-snug">
          Until {step.until === '' ? 'it is enough' : step.until}. Time {lap + 1}
          {step.mostTimes === null ? '' : ` of ${step.mostTimes}`}.{' '}
          {tooOften && <strong>More of the same will not help: look for another reason.</strong>}
        </p>
      </>
    );
  }
  return (
    <button
      type="button"
      className={`${BIG} ${early ? 'btn-outline' : 'btn-primary'}`}
      onClick={() => actions.done('on')}
    >
      {step.waits === 'time'
        ? 'Skip the rest'
        : step.waits === 'opening'
          ? 'It opened'
          : step.waits === 'cold'
            ? 'Cold now'
            : 'Done'}
    </button>
  );
}

/** Time of the step: what is left of it, or how long it has lasted, against its least and most. */
function StepClock({ at }: { at: ProcedureStanding }) {
  const where = inWindow(at.step, at.since_s);
  const words =
    at.left_s !== null
      ? 'left'
      : where === 'too-short'
        ? `of at least ${clock(at.step.least_s!)}`
        : where === 'too-long'
          ? `past ${clock(at.step.most_s!)}: stop and look`
          : at.step.most_s === null
            ? 'so far'
            : `of at most ${clock(at.step.most_s)}`;
  return (
    <div>
      <p
        className={`text-8xl type-sign tabular-nums ${where === 'too-long' ? 'text-error' : ''}`}
        role="timer"
        data-testid="step-clock"
      >
        {clock(at.left_s === null ? at.since_s : Math.ceil(at.left_s))}
      </p>
      <p className="text-lg">{words}</p>
    </div>
  );
}

/**
 * A procedure under way: one step at a time, in type that is read from two steps away. It knows nothing of where the run
 * is kept: the same screen shows a dry run.
 */
export function ProcedureRunner({
  procedure,
  run,
  now,
  elapsed_s,
  actions,
  onStep,
  note,
  children,
}: {
  procedure: Procedure;
  run: Run;
  /** ms since 1970. */
  now: number;
  elapsed_s: number;
  actions: RunnerActions;
  /** A step came by itself, or by hand. */
  onStep?: (at: ProcedureStanding | null) => void;
  /** What is known of this step beside its words. */
  note?: (at: ProcedureStanding) => ReactNode;
  /** Beneath the step. */
  children?: ReactNode;
}) {
  const { say, show } = useUnits();
  const at = standingAt(stepsOf(procedure), run, now);
  const running = run.runningSince !== null;
  const begun = running || elapsed_s > 0;
  const place = at?.at ?? -1;
  const came = useEffectEvent(() => onStep?.(at));
  const before = useRef(place);
  useEffect(() => {
    if (before.current === place) return;
    before.current = place;
    came();
  }, [place]);
  const left = timeLeft(procedure, run, elapsed_s);
  if (!at) {
    return (
      <div data-testid="runner">
        <p className="text-5xl type-sign" data-testid="runner-step">
          All steps done
        </p>
        <p className="mt-1 text-lg">It took {clock(elapsed_s)}.</p>
        <div className="mt-3 flex gap-3 print:hidden">
          <button type="button" className="btn min-h-14 btn-lg" onClick={actions.back}>
            Back a step
          </button>
        </div>
        {children}
      </div>
    );
  }
  return (
    <div data-testid="runner">
      <p className="type-label" data-testid="runner-place">
        {procedure.name}. Step {at.index + 1} of {procedure.steps.length}
        {at.lap > 0 ? `, time ${at.lap + 1}` : ''}. Timed part still {clock(left.timed_s)}
        {left.waits > 0 ? `, and ${left.waits} ${left.waits === 1 ? 'step that waits' : 'steps that wait'}` : ''}.
        {procedure.stop_c === null ? '' : ` Stop at ${show('temperature', procedure.stop_c)}.`}
      </p>
      <div className="mt-2 grid grid-cols-1 items-start gap-x-8 gap-y-3 md:grid-cols-[auto_minmax(0,1fr)]">
        <StepClock at={at} />
        <div>
          <p className="text-[2.5rem] type-sign leading-[1.08]" data-testid="runner-step" aria-live="polite">
            {say(at.step.says)}
          </p>
          <Signs procedure={procedure} at={at} />
        </div>
      </div>
      <Cautions className="mt-3 text-base!" of={cautionsOf(procedure, at.index)} />
      {note?.(at)}
      <div className="mt-4 flex flex-wrap gap-3 print:hidden">
        {running ? (
          <>
            <Ends at={at} actions={actions} />
            <button type="button" className="btn min-h-24 min-w-32 btn-outline btn-xl" onClick={actions.pause}>
              Pause
            </button>
          </>
        ) : (
          <button type="button" className={`${BIG} btn-primary`} onClick={actions.start}>
            {begun ? 'Go on' : 'Start'}
          </button>
        )}
        {begun && (
          <button type="button" className="btn min-h-24 btn-ghost btn-xl" onClick={actions.back}>
            Back
          </button>
        )}
      </div>
      {at.next && <p className="mt-3 text-lg">Then: {say(at.next.says)}</p>}
      {children}
    </div>
  );
}
