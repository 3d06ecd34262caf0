'use client';

import { insideNow, totals, type LedgerState } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { Caution } from '@/ui/Caution';
import { useUnits } from '@/ui/units';
import { volumesSay } from './flowWords';

/** What is inside by the open job's ledger; null where its lines contradict each other. */
export function useInside(): {
  readonly state: LedgerState | null;
  readonly error: string | null;
  readonly capacity_l: number;
} {
  const { vehicle } = useJob();
  const { sheet } = useRepair();
  const capacity_l = vehicle.vehicle.coolant.volume_l;
  const inside = insideNow(sheet.drain, capacity_l);
  return inside.ok
    ? { state: inside.value, error: null, capacity_l }
    : { state: null, error: inside.error.message, capacity_l };
}

/** What is inside now, how strong, how much of it old, and what the volumes prove. */
export function Inside() {
  const { sheet } = useRepair();
  const { show, say } = useUnits();
  const { state, error, capacity_l } = useInside();
  const { out_l, in_l } = totals(sheet.drain.lines);
  if (!state) {
    return (
      <Caution kind="danger" role="alert" testId="ledger-wrong">
        {say(error!)} Correct a line below, or the capacity on the vehicle’s page.
      </Caution>
    );
  }
  const words = volumesSay(state, out_l, in_l);
  const strength =
    state.pct === null
      ? 'nothing inside'
      : `${Math.round(state.pct)} % glycol${
          Math.round(state.pct_low!) === Math.round(state.pct_high!)
            ? ''
            : `, between ${Math.round(state.pct_low!)} and ${Math.round(state.pct_high!)} %`
        }`;
  return (
    <section aria-label="What is inside" data-testid="inside">
      <p className="text-[2.75rem] type-sign leading-none">
        {show('volume', state.inside_l, 1)}{' '}
        <span className="text-xl">inside, ± {show('volume', 2 * state.inside_sd_l, 1)}</span>
      </p>
      <p className="mt-1 text-lg">
        {strength}. {show('volume', state.old_l, 1)} of it old, {show('volume', Math.max(0, state.missing_l ?? 0), 1)}{' '}
        short of {show('volume', capacity_l, 1)}.
      </p>
      <p className="mt-1">
        Out {show('volume', out_l, 2)}, in {show('volume', in_l, 2)}.{' '}
        {sheet.drain.lines.length > 0 && (
          <>
            <strong>{words.proves}</strong> {words.not}
          </>
        )}
      </p>
    </section>
  );
}
