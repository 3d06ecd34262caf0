'use client';

import { Cable, Printer, Timer } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { mendFirst } from '@/core/case';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useWrite } from '@/job/useWrite';
import { setStanding } from '@/storage/jobs';
import { LoadedLink } from '@/ui/LoadedLink';
import { Caution } from '@/ui/Caution';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { useUnits } from '@/ui/units';
import { DriveCard } from './DriveCard';
import { driveCautions } from '@/job/driveCautions';
import { PlanEditor } from './PlanEditor';
import { planLane, planTitle } from './planLane';
import { PlanOutcome } from './PlanOutcome';
import { ProposalList } from './ProposalList';
import { usePlan } from './usePlan';
import { usePlanPrediction } from '@/job/usePlanPrediction';

const HEIGHT = 372;

/** Plans a logged drive: what to drive, what it would tell, what to expect, and the card to take along. */
export function DrivePlanScreen() {
  const { job, entries, vehicle: record, case: found } = useJob();
  const { vehicle } = record;
  const { say } = useUnits();
  const write = useWrite();
  const { plan, error, scale, put } = usePlan();
  const work = usePlanPrediction(vehicle, error === null ? plan : null, found.now);
  const lane = useMemo(() => work.last && planLane(work.last, plan.limit_c, null), [work.last, plan.limit_c]);
  const print = async () => {
    const moved = job.state === 'to-look-at' ? await write(setStanding(job.id, { state: 'drive-planned' })) : 0;
    put({});
    if (moved !== null) window.print();
  };
  return (
    <>
      <div className="px-5 pt-3 pb-16 print:hidden">
        {mendFirst(entries, vehicle).map((says) => (
          <Caution key={says} kind="danger" role="alert" className="mb-2">
            Mend first: {says}
          </Caution>
        ))}
        <div className="grid grid-cols-1 gap-x-6 gap-y-4 lg:grid-cols-[18.5rem_minmax(0,1fr)_17rem]">
          <div>
            <PlanEditor plan={plan} onChange={(change) => put(change)} />
            {error && (
              <p role="alert" className="mt-2 text-error">
                {say(error)}
              </p>
            )}
            <div className="mt-3 grid grid-cols-2 gap-2">
              <button
                type="button"
                className="btn col-span-2 btn-primary"
                disabled={error !== null || work.status !== 'done'}
                onClick={() => void print()}
              >
                <Printer aria-hidden className="size-5" /> Print the drive card
              </button>
              <Link href={`/jobs/${job.id}/drive/stopwatch`} className="btn px-2" onClick={() => put({})}>
                <Timer aria-hidden className="size-5" /> Stopwatch card
              </Link>
              <LoadedLink href={`/jobs/${job.id}/drive/live`} className="btn px-2" onClick={() => put({})}>
                <Cable aria-hidden className="size-5" /> Log live
              </LoadedLink>
            </div>
          </div>
          <div>
            <ScaledPicture
              scale={scale}
              height={HEIGHT}
              testId="plan-chart"
              lane={lane}
              title={work.last ? planTitle(work.last) : ''}
            />
            <Cautions className="mt-1" of={driveCautions(plan.phases)} />
          </div>
          <div className="space-y-4">
            <PlanOutcome plan={plan} work={work} />
            <ProposalList vehicle={vehicle} plan={plan} causes={found.now} onTake={(phases) => put({ phases })} />
          </div>
        </div>
      </div>
      <DriveCard plan={plan} prediction={work.last} />
    </>
  );
}
