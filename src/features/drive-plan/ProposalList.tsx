'use client';

import type { Odds } from '@/core/evidence';
import type { Vehicle } from '@/core/base';
import { planLength_s } from '@/core/planning';
import type { PlanRecord } from '@/storage/records';
import { useProposals } from '@/job/usePlanPrediction';

/** Other drives under the same weather and odds, ranked by what they would tell. */
export function ProposalList({
  vehicle,
  plan,
  causes,
  onTake,
}: {
  vehicle: Vehicle;
  plan: PlanRecord;
  causes: readonly Odds[];
  onTake: (phases: PlanRecord['phases']) => void;
}) {
  const { state, ask, clear } = useProposals(vehicle, plan, causes);
  if (state === null) {
    return (
      <button type="button" className="btn" onClick={ask}>
        Find a shorter or better drive
      </button>
    );
  }
  if (state.status === 'running') {
    return (
      <progress
        className="progress w-full progress-primary"
        aria-label="Trying other drives"
        value={state.share}
        max={1}
      />
    );
  }
  if (state.status === 'failed') return <p role="alert">Trying other drives failed: {state.message}</p>;
  return (
    <div>
      <h3 className="font-bold">Other drives, best first</h3>
      <ul data-testid="proposals">
        {state.last.slice(0, 3).map((p) => (
          <li key={p.name} className="flex items-center gap-3 border-t border-base-content/15 py-1">
            <span className="flex-1">
              {p.name}, {Math.round(planLength_s(p) / 60)} min
            </span>
            <span className="font-semibold whitespace-nowrap">{Math.round(10 * p.tellsApart)} of 10</span>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                onTake(p.phases);
                clear();
              }}
            >
              Take it
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
