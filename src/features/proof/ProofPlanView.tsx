'use client';

import { useRouter } from 'next/navigation';
import { coolantState, outsideGiven_c } from '@/core/case';
import { PHASE_NAME, planLength_s } from '@/core/planning';
import type { ProofPlan } from '@/core/proof';
import { Cautions } from '@/job/Cautions';
import { driveCautions } from '@/job/driveCautions';
import { firstPlan } from '@/job/firstPlan';
import { useJob } from '@/job/JobProvider';
import { useWrite } from '@/job/useWrite';
import { changePlan } from '@/storage/jobs';
import { useUnits } from '@/ui/units';

const LIKE: Readonly<Record<ProofPlan['like'], string>> = {
  before: 'The drive of before once more, with what the complaint names',
  complaint: 'After the complaint; no drive of before to repeat',
  usual: 'A usual drive: neither a drive of before nor a condition of the complaint is written down',
};

/** The drive that can prove the repair, ready to be taken as the job's plan. */
export function ProofPlanView({ proof }: { proof: ProofPlan }) {
  const { job, vehicle, entries, figures } = useJob();
  const { showTemperature, say } = useUnits();
  const write = useWrite();
  const router = useRouter();
  const { plan, like, lacks } = proof;
  const take = async () => {
    const coolant = coolantState(entries, vehicle.vehicle, figures.altitude_m);
    const first = firstPlan(vehicle.vehicle, outsideGiven_c(entries, Date.now()), coolant);
    const before = job.plan;
    const taken = await write(changePlan(job.id, first, plan), {
      says: 'Taken as the plan of this job.',
      undo: () => changePlan(job.id, first, before ?? first),
    });
    if (taken !== null) router.push(`/jobs/${job.id}/drive`);
  };
  return (
    <section aria-labelledby="proof-plan-title" data-testid="proof-plan">
      <h2 id="proof-plan-title" className="text-2xl type-sign">
        The drive that proves it
      </h2>
      <p className="type-label">{LIKE[like]}</p>
      <p className="mt-1 text-xl leading-snug font-semibold">
        {plan.phases.map((p) => `${PHASE_NAME[p.kind].toLowerCase()} ${Math.round(p.duration_s / 60)}`).join(', ')} min
      </p>
      <p className="leading-snug">
        {Math.round(planLength_s(plan) / 60)} min in all. Outside about {showTemperature(plan.ambient_c)}, blower{' '}
        {Math.round(plan.heater_pct)} %,{' '}
        {plan.startExcess_k === 0
          ? 'started cold after a night.'
          : `started ${say(`${plan.startExcess_k} K`)} above outside air.`}
      </p>
      {lacks.length > 0 && (
        <p className="mt-1 border-l-4 border-warning pl-3">
          Even this drive does not have {lacks.map(say).join('; ')}.
        </p>
      )}
      <Cautions className="mt-2" of={driveCautions(plan.phases)} />
      <button type="button" className="btn mt-2 print:hidden" onClick={() => void take()}>
        Take it as the plan
      </button>
    </section>
  );
}
