'use client';

import {
  aimOf,
  filledWith_pct,
  fillingPlan,
  strengthBought_pct,
  swapToReach_l,
  type LedgerState,
  type PlannedCoolant,
} from '@/core/repair';
import { useRepair } from '@/job/useRepair';
import { useUnits } from '@/ui/units';
import { useInside } from '../drain/Inside';

/** Less room than this is none, l; nearer to the target than this it is reached, %. */
const FULL_L = 0.05;
const REACHED_PCT = 1;

/** What a ready mix over what stayed inside comes to, and what a partial swap takes. */
function Others({
  state,
  capacity_l,
  target_pct,
  coolant,
}: {
  state: LedgerState;
  capacity_l: number;
  target_pct: number;
  coolant: PlannedCoolant;
}) {
  const { show } = useUnits();
  const bought = strengthBought_pct(coolant);
  const ready = filledWith_pct({
    capacity_l,
    residual_l: state.inside_l,
    residual_pct: state.pct ?? 0,
    add_pct: target_pct,
  });
  const swap = state.pct === null ? null : swapToReach_l(capacity_l, state.pct, target_pct, bought);
  return (
    <p className="mt-2 text-sm leading-snug" data-testid="other-ways">
      {state.inside_l > FULL_L &&
        `Mixed to ${target_pct} % in the jug and poured over what is inside it ends at ${ready.toFixed(0)} %. `}
      {swap !== null &&
        swap > FULL_L &&
        `From a full system: drain ${show('volume', swap, 1)}, put in the same of ${bought === 100 ? 'concentrate' : `${bought} %`}.`}
    </p>
  );
}

/** How much to put in for the strength that is aimed at, with what stayed inside counted. */
export function Volumes() {
  const { sheet } = useRepair();
  const { show } = useUnits();
  const { state, error, capacity_l } = useInside();
  const { coolant } = sheet.plan;
  const aim = aimOf(sheet.fill, coolant);
  if (error !== null || !state) return <p className="text-error">The ledger does not add up: see Drain and flush.</p>;
  if (!aim) {
    return (
      <p className="text-3xl type-sign" data-testid="fill-volumes">
        Say how cold it gets, or how strong it is to be
      </p>
    );
  }
  const bought = strengthBought_pct(coolant);
  const plan = fillingPlan(state, capacity_l, aim.target_pct, bought);
  const what =
    coolant.kind === 'ready' ? `ready mix of ${bought} %` : coolant.kind === 'waterless' ? 'waterless' : 'concentrate';
  const { answer } = plan;
  if (capacity_l - state.inside_l < FULL_L && Math.abs((state.pct ?? 0) - aim.target_pct) <= REACHED_PCT) {
    return (
      <div data-testid="fill-volumes">
        <p className="text-[2.25rem] type-sign leading-none">Full: nothing to put in</p>
        <p className="mt-2">
          {show('volume', state.inside_l, 1)} of {Math.round(state.pct ?? 0)} %.
        </p>
      </div>
    );
  }
  if (!answer.reachable) {
    return (
      <div data-testid="fill-volumes">
        <p className="text-[2.25rem] type-sign leading-none text-error">
          {answer.drain_more_l === null
            ? 'Cannot be reached with this'
            : `Drain ${show('volume', answer.drain_more_l, 1)} more`}
        </p>
        <p className="mt-1 text-lg leading-snug">
          {answer.why === 'too-weak'
            ? `What stays inside is too weak: even ${what} alone does not bring it to ${aim.target_pct} %.`
            : `What stays inside is too strong: even water alone leaves more than ${aim.target_pct} %.`}{' '}
          {answer.drain_more_l === null ? 'Take a stronger one.' : ''}
        </p>
      </div>
    );
  }
  const room_l = answer.add_l + answer.water_l;
  return (
    <div data-testid="fill-volumes">
      {room_l < FULL_L ? (
        <p className="text-[2.25rem] type-sign leading-none">Full: nothing to put in</p>
      ) : (
        <p className="text-[2.25rem] type-sign leading-none">
          {show('volume', answer.add_l, 2)} {what}
          <br />+ {show('volume', answer.water_l, 2)} water
        </p>
      )}
      <p className="mt-2 leading-snug">
        Over the {show('volume', state.inside_l, 1)} inside, to {show('volume', capacity_l, 1)} of {aim.target_pct} %.
        {plan.low_pct !== null && plan.high_pct! - plan.low_pct > 1
          ? ` As the old is not known better it comes out between ${plan.low_pct.toFixed(0)} and ${plan.high_pct!.toFixed(0)} %.`
          : ''}
      </p>
      <Others state={state} capacity_l={capacity_l} target_pct={aim.target_pct} coolant={coolant} />
    </div>
  );
}
