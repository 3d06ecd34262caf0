'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { PHASE_NAME, planLength_s } from '@/core/planning';
import { loadJob, updateJob, type JobDetail } from '@/storage/jobs';
import { useUnits } from '@/ui/units';
import { CheckAnswers, checksOf, DueCheck } from './DueCheck';
import { firstPlan } from './planFields';
import { clock, elapsedAt, phaseAt } from './stopwatch';

function useNow(running: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [running]);
  return now;
}

function Card({ detail }: { detail: JobDetail }) {
  const { job, vehicle } = detail;
  const { showTemperature } = useUnits();
  const plan = job.plan ?? firstPlan(vehicle.vehicle, null);
  const watch = job.stopwatch ?? { runningSince: null, elapsed_s: 0 };
  const running = watch.runningSince !== null;
  const now = useNow(running);
  const elapsed_s = elapsedAt(watch, now);
  const total_s = planLength_s(plan);
  const here = phaseAt(plan.phases, elapsed_s);
  const checks = checksOf(plan);
  const start = () =>
    void updateJob(job.id, { stopwatch: { runningSince: Date.now(), elapsed_s: watch.elapsed_s }, plan });
  const pause = () =>
    void updateJob(job.id, { stopwatch: { runningSince: null, elapsed_s: elapsedAt(watch, Date.now()) } });
  return (
    <div className="px-5 pt-3 pb-10">
      <p className="border-l-8 border-warning pl-3 text-lg font-semibold">
        For the passenger, or at standstill. Driver never operates phone, camera or laptop. Stop at{' '}
        {showTemperature(plan.limit_c)}.
      </p>
      <div className="mt-3 grid grid-cols-1 items-center gap-x-8 gap-y-3 md:grid-cols-[auto_minmax(0,1fr)_auto]">
        <p className="text-8xl type-sign" data-testid="elapsed" role="timer">
          {clock(elapsed_s)}
        </p>
        <div>
          <p className="text-4xl type-sign">{here ? PHASE_NAME[here.phase.kind] : 'Drive done'}</p>
          <p className="mt-1 text-xl">
            {here
              ? `${clock(here.left_s)} left${here.next ? `, then ${PHASE_NAME[here.next.kind].toLowerCase()}` : ''}`
              : 'Save the log and drop it on this job.'}
          </p>
          <progress
            className="progress mt-2 w-full"
            value={Math.min(elapsed_s, total_s)}
            max={total_s}
            aria-label="Drive"
          />
        </div>
        <div className="flex flex-col gap-2">
          <button type="button" className="btn min-h-20 min-w-44 btn-primary btn-xl" onClick={running ? pause : start}>
            {running ? 'Pause' : elapsed_s > 0 ? 'Go on' : 'Start'}
          </button>
          {!running && elapsed_s > 0 && (
            <button type="button" className="btn" onClick={() => void updateJob(job.id, { stopwatch: null })}>
              Back to zero
            </button>
          )}
        </div>
      </div>
      <div className="mt-5 border-t-2 border-base-content pt-3">
        <DueCheck job={job} plan={plan} elapsed_s={elapsed_s} large />
      </div>
      <section aria-label="All observations" className="mt-5">
        <ul>
          {checks.map((c) => (
            <li
              key={c.itemId}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-base-content/20 py-2"
            >
              <span className="w-14 text-right font-semibold">{clock(c.at_s)}</span>
              <span className="min-w-64 flex-1">
                {c.what} <span className="type-label">{job.answers.find((a) => a.itemId === c.itemId)?.detail}</span>
              </span>
              <CheckAnswers job={job} check={c} elapsed_s={elapsed_s} />
            </li>
          ))}
        </ul>
      </section>
      <Link href={`/jobs/${job.id}/drive`} className="btn mt-4">
        Back to the plan
      </Link>
    </div>
  );
}

/** The stopwatch card: phases, due times, and big buttons for what is felt and seen, each kept with its minute. */
export function StopwatchScreen({ jobId }: { jobId: string }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  return detail ? <Card detail={detail} /> : null;
}
