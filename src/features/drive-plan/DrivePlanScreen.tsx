'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Cable, Printer, Timer } from 'lucide-react';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useMemo } from 'react';
import { caseOdds, mendFirst, vehicleScale } from '@/core/diagnosis';
import { loadJob, updateJob, type JobDetail } from '@/storage/jobs';
import type { PlanRecord } from '@/storage/records';
import { ScaledPicture } from '@/ui/ScaledPicture';
import { DriveCard } from './DriveCard';
import { PlanEditor } from './PlanEditor';
import { firstPlan, planError } from './planFields';
import { PlanOutcome } from './PlanOutcome';
import { ProposalList } from './ProposalList';
import { usePlanPrediction } from './usePlanPrediction';

const PlanChart = dynamic(() => import('./PlanChart').then((m) => m.PlanChart), { ssr: false });

const HEIGHT = 372;

function Planner({ detail }: { detail: JobDetail }) {
  const { job, vehicle: record } = detail;
  const { vehicle } = record;
  const finding = detail.findings[0]?.finding ?? null;
  const odds = useMemo(() => caseOdds(vehicle, job.answers, finding), [vehicle, job.answers, finding]);
  const plan = job.plan ?? firstPlan(vehicle, job.cold?.soakOutside_c ?? null);
  const error = planError(plan);
  const work = usePlanPrediction(vehicle, error === null ? plan : null, odds.causes);
  const scale = useMemo(() => vehicleScale(vehicle, plan.ambient_c), [vehicle, plan.ambient_c]);
  const put = (change: Partial<PlanRecord>) => void updateJob(job.id, { plan: { ...plan, ...change } });
  const mend = mendFirst(job.answers);
  return (
    <>
      <div className="px-5 pt-3 pb-16 print:hidden">
        {mend.map((says) => (
          <p key={says} role="alert" className="mb-2 border-l-8 border-error pl-3 font-semibold">
            Mend first: {says}
          </p>
        ))}
        <div className="grid grid-cols-1 gap-x-6 gap-y-4 lg:grid-cols-[18.5rem_minmax(0,1fr)_17rem]">
          <div>
            <PlanEditor plan={plan} onChange={put} />
            {error && (
              <p role="alert" className="mt-2 text-error">
                {error}
              </p>
            )}
            <div className="mt-3 grid grid-cols-2 gap-2">
              <button
                type="button"
                className="btn col-span-2 btn-primary"
                disabled={error !== null || work.status !== 'done'}
                onClick={() => {
                  void updateJob(job.id, { plan, state: 'drive-planned' }).then(() => window.print());
                }}
              >
                <Printer aria-hidden className="size-5" /> Print the drive card
              </button>
              <Link href={`/jobs/${job.id}/drive/stopwatch`} className="btn px-2" onClick={() => put({})}>
                <Timer aria-hidden className="size-5" /> Stopwatch card
              </Link>
              <Link href={`/jobs/${job.id}/drive/live`} className="btn px-2" onClick={() => put({})}>
                <Cable aria-hidden className="size-5" /> Log live
              </Link>
            </div>
          </div>
          <div>
            <ScaledPicture scale={scale} height={HEIGHT} testId="plan-chart">
              {(width) =>
                work.last && <PlanChart prediction={work.last} width={width} height={HEIGHT} limit_c={plan.limit_c} />
              }
            </ScaledPicture>
            <p className="mt-1 border-l-4 border-warning pl-3 text-sm leading-snug">
              Suspect car: short loop, passenger reads or logger only, stop limit set beforehand, recovery plan. Run
              engines outdoors or with extraction; carbon monoxide kills.
            </p>
          </div>
          <div className="space-y-4">
            <PlanOutcome job={job} plan={plan} work={work} />
            <ProposalList vehicle={vehicle} plan={plan} causes={odds.causes} onTake={(phases) => put({ phases })} />
          </div>
        </div>
      </div>
      <DriveCard job={job} vehicle={record} plan={plan} prediction={work.last} />
    </>
  );
}

/** Plans a logged drive: what to drive, what it would tell, what to expect, and the card to take along. */
export function DrivePlanScreen({ jobId }: { jobId: string }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  return detail ? <Planner detail={detail} /> : null;
}
