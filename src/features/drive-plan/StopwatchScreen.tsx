'use client';

import { Link } from '@/ui/Link';
import { standingAnswer } from '@/core/case';
import { CAUTIONS } from '@/core/cautions';
import { PHASE_NAME, planLength_s } from '@/core/planning';
import type { PhaseKind } from '@/core/plant';
import { asRun, NOT_BEGUN, paused, standingAt, started, stepEnded } from '@/core/procedure';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRun } from '@/job/useRun';
import { useUnits } from '@/ui/units';
import { checksOf, DueCheck } from './DueCheck';
import { driveCautions } from '@/job/driveCautions';
import { clock } from '@/ui/clock';
import { usePlan } from './usePlan';
import { usePlanPrediction } from '@/job/usePlanPrediction';

/** The stopwatch card: phases, due times, and big buttons for what is felt and seen, each kept with its minute. */
export function StopwatchScreen() {
  const { job, entries, vehicle, case: found } = useJob();
  const { showTemperature } = useUnits();
  const { plan, error, put } = usePlan();
  const work = usePlanPrediction(vehicle.vehicle, error === null ? plan : null, found.now);
  const { run, running, now, elapsed_s, change } = useRun('drive');
  const here = standingAt(plan.phases, run, now);
  const driven = { ...plan, phases: asRun(plan.phases, run) };
  const checks = checksOf(driven, work.last);
  const start = () => {
    change(started);
    put({});
  };
  const pause = () => change(paused);
  const endPhase = (kind: PhaseKind) =>
    change((r, at) => stepEnded(plan.phases, r, at), `${PHASE_NAME[kind]} ended at ${clock(elapsed_s)}.`);
  const backToZero = () => change(() => NOT_BEGUN, `The stopwatch stood at ${clock(elapsed_s)}.`);
  return (
    <div className="px-5 pt-3 pb-10">
      <p className="border-l-8 border-warning pl-3 text-lg font-semibold">
        For the passenger, or at standstill. {CAUTIONS['driver-drives']} Stop at {showTemperature(plan.limit_c)}.
      </p>
      <div className="mt-3 grid grid-cols-1 items-center gap-x-8 gap-y-3 md:grid-cols-[auto_minmax(0,1fr)_auto]">
        <p className="text-8xl type-sign" data-testid="elapsed" role="timer">
          {clock(elapsed_s)}
        </p>
        <div>
          <p className="text-4xl type-sign" data-testid="phase">
            {here ? PHASE_NAME[here.step.kind] : 'Drive done'}
          </p>
          <p className="mt-1 text-xl">
            {here
              ? `${clock(here.left_s)} left${here.next ? `, then ${PHASE_NAME[here.next.kind].toLowerCase()}` : ''}`
              : 'Save the log and drop it on this job.'}
          </p>
          <progress
            className="progress mt-2 w-full"
            value={here ? elapsed_s : 1}
            max={here ? planLength_s(driven) : 1}
            aria-label="Drive"
          />
        </div>
        <div className="flex flex-col gap-2">
          <button type="button" className="btn min-h-20 min-w-44 btn-primary btn-xl" onClick={running ? pause : start}>
            {running ? 'Pause' : elapsed_s > 0 ? 'Go on' : 'Start'}
          </button>
          {running && here && (
            <button type="button" className="btn" onClick={() => endPhase(here.step.kind)}>
              Phase done
            </button>
          )}
          {!running && elapsed_s > 0 && (
            <button type="button" className="btn" onClick={backToZero}>
              Back to zero
            </button>
          )}
        </div>
      </div>
      <div className="mt-5 border-t-2 border-base-content pt-3">
        <DueCheck checks={checks} elapsed_s={elapsed_s} large />
      </div>
      <section aria-label="All observations" className="mt-5">
        <ul>
          {checks.map((c) => {
            const given = standingAnswer(entries, c.itemId);
            const minute = given?.kind === 'check' ? given.minute : null;
            return (
              <li
                key={c.itemId}
                className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-base-content/20 py-2"
              >
                <span className="w-14 text-right font-semibold">{clock(c.at_s)}</span>
                <span className="min-w-64 flex-1">
                  {c.what} {minute !== null && <span className="type-label">minute {minute.toFixed(1)}</span>}
                </span>
                <AnswerItem item={c.itemId} label={c.what} minute={elapsed_s / 60} />
              </li>
            );
          })}
        </ul>
        {work.status === 'running' && <p className="mt-1 type-label">Working out when the opening is due</p>}
      </section>
      <Cautions className="mt-4" of={['no-hot-hoses', ...driveCautions(plan.phases)]} />
      <Link href={`/jobs/${job.id}/drive`} className="btn mt-4">
        Back to the plan
      </Link>
    </div>
  );
}
