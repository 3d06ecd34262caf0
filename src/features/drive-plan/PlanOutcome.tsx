'use client';

import { causeName } from '@/core/evidence';
import { planLength_s, repeatsComplaint, type PlanPrediction } from '@/core/planning';
import { complainedOf } from '@/core/case';
import { useJob } from '@/job/JobProvider';
import type { PlanRecord } from '@/storage/records';
import { LineSample } from '@/ui/picture/ChartLegend';
import { causeColour, dashOf } from './planLane';
import { useUnits } from '@/ui/units';
import type { WorkState } from '@/job/useWork';

const minute = (s: number): string => String(Math.round(s / 60));

/** What the planned drive is worth: how well it tells the causes apart, when opening is due, what it leaves out. */
export function PlanOutcome({ plan, work }: { plan: PlanRecord; work: WorkState<PlanPrediction> }) {
  const prediction = work.last;
  const { entries } = useJob();
  const { say } = useUnits();
  const repeats = repeatsComplaint(plan, complainedOf(entries));
  if (!prediction) {
    return (
      <div role="status">
        <p className="text-2xl type-sign">Driving it in the model</p>
        <progress
          className="progress mt-2 w-full progress-primary"
          value={work.status === 'running' ? work.share : 0}
          max={1}
        />
      </div>
    );
  }
  const inTen = Math.round(10 * prediction.tellsApart);
  const { opening_s, hardest, bands } = prediction;
  return (
    <div className={work.status === 'running' ? 'opacity-60' : ''}>
      <p className="type-label">This drive tells the causes apart in</p>
      <p className="text-5xl type-sign" data-testid="tells-apart">
        {inTen} of 10
      </p>
      <p className="text-sm">
        {bands.length < 2
          ? 'No cause is likely enough to plan for yet.'
          : hardest
            ? `simulated drives. Hardest: ${causeName(hardest.truth).toLowerCase()}, taken for ${causeName(hardest.taken).toLowerCase()} in ${Math.round(10 * hardest.share)} of 10.`
            : 'simulated drives. None is taken for another.'}
      </p>
      <ul className="mt-3">
        {bands.map((b, i) => (
          <li key={b.cause} className="flex items-center gap-2 py-0.5 leading-tight">
            <LineSample colour={causeColour(b.cause)} dash={dashOf(i)} />
            <span className="flex-1">{b.cause === 'healthy' ? 'Sound, 8 in 10 in the band' : causeName(b.cause)}</span>
            <span className="type-label whitespace-nowrap">
              {b.code_s === null ? 'no code' : `code at ${minute(b.code_s)} min`}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 font-semibold" data-testid="opening-due">
        {opening_s
          ? `Opening due between minute ${minute(opening_s.early)} and ${minute(opening_s.late)}.`
          : `A sound thermostat would not open on this drive of ${minute(planLength_s(plan))} min: too cold or too short.`}
      </p>
      <p
        className={`mt-2 ${repeats.kind === 'missing' ? 'border-l-4 border-warning pl-3' : ''}`}
        data-testid="conditions"
      >
        {repeats.kind === 'missing' && `Does not repeat the complaint: it needs ${say(repeats.says.join('; '))}.`}
        {repeats.kind === 'all' && 'Repeats the conditions of the complaint.'}
        {repeats.kind === 'nothing' &&
          'No complaint with conditions is written down, so there is nothing that this drive must repeat.'}
      </p>
      {work.status === 'failed' && (
        <p role="alert" className="mt-2 border-l-4 border-error pl-3">
          The prediction failed: {work.message}
        </p>
      )}
    </div>
  );
}
