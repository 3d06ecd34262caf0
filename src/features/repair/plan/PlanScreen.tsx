'use client';

import { useState } from 'react';
import { flushSync } from 'react-dom';
import { pricesFor, SCHOOLS } from '@/core/case';
import { coolantNeed, extrasFor, opensSystem } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { useUnits } from '@/ui/units';
import { Disagreements } from '../Disagreements';
import { CoolantChoice } from './CoolantChoice';
import { Exceptions } from './Exceptions';
import { ExtrasSheet } from './ExtrasSheet';
import { PartsTable } from './PartsTable';
import { JobSheet, PickSheet } from './Papers';
import { PickList } from './PickList';
import { References } from './References';
import { WorkChoice } from './WorkChoice';

/** Where workshops disagree about parts: shown beside them. */
const SCHOOL_IDS: readonly string[] = ['whose-part', 'housing-material', 'insert-or-assembly'];

/** What the plan comes to: parts, coolant with what is left over, labour. */
function useCost() {
  const { vehicle, figures, case: found } = useJob();
  const { sheet } = useRepair();
  const { plan, fill } = sheet;
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  const opens = opensSystem(plan.works);
  const target_pct = fill.target_pct ?? vehicle.vehicle.coolant.glycol_pct;
  const need = coolantNeed(sheet, vehicle.vehicle.coolant.volume_l, target_pct);
  const parts = plan.parts.reduce((s, p) => s + (p.price ?? 0), 0);
  const deposits = plan.parts.reduce((s, p) => s + (p.depositBackAt === null ? (p.deposit ?? 0) : 0), 0);
  const extras = extrasFor(plan.works, found.now, prices)
    .filter((e) => plan.extras.includes(e.extra.id))
    .reduce((s, e) => s + e.cost, 0);
  const labour = ((plan.minutesPlanned ?? 0) / 60) * prices.labourPerHour;
  const coolant = opens ? need.cost : 0;
  const unpriced = plan.parts.filter((p) => p.price === null).length;
  return { ...{ need, parts, deposits, extras, labour, coolant, unpriced, opens }, currency: prices.currency };
}

function Head() {
  const { sheet, put } = useRepair();
  const cost = useCost();
  const { plan } = sheet;
  const money = (v: number) => `${Math.round(v)} ${cost.currency}`;
  const over =
    plan.minutesPlanned !== null && plan.minutesTaken !== null ? plan.minutesTaken - plan.minutesPlanned : null;
  return (
    <section aria-label="What it comes to" className="flex flex-wrap items-start gap-x-10 gap-y-3">
      <div>
        <p className="text-[2.75rem] type-sign leading-none" data-testid="plan-cost">
          {plan.works.length === 0
            ? 'Nothing planned yet'
            : money(cost.parts + cost.deposits + cost.extras + cost.labour + cost.coolant)}
        </p>
        <p className="mt-1">
          Parts {money(cost.parts)}
          {cost.unpriced > 0 ? `, ${cost.unpriced} without a price` : ''}; coolant {money(cost.coolant)}
          {cost.opens && cost.need.leftCost > 0 ? `, ${money(cost.need.leftCost)} of it left over` : ''}; labour{' '}
          {money(cost.labour)}
          {cost.extras > 0 ? `; along with it ${money(cost.extras)}` : ''}
          {cost.deposits > 0 ? `; deposit to get back ${money(cost.deposits)}` : ''}
        </p>
      </div>
      <RangedInput
        id="minutes-planned"
        label="Minutes planned"
        family={null}
        unit="min"
        digits={0}
        value={plan.minutesPlanned}
        low={0}
        high={100_000}
        onValue={(minutesPlanned) => put('plan', { minutesPlanned })}
        onEmptied={() => put('plan', { minutesPlanned: null })}
      />
      <RangedInput
        id="minutes-taken"
        label="Minutes taken"
        family={null}
        unit="min"
        digits={0}
        hint={over === null ? '' : over > 0 ? `${over} more than planned` : `${-over} less than planned`}
        value={plan.minutesTaken}
        low={0}
        high={100_000}
        onValue={(minutesTaken) => put('plan', { minutesTaken })}
        onEmptied={() => put('plan', { minutesTaken: null })}
      />
    </section>
  );
}

/** The repair sheet: from the decision to everything laid out. Prints as a pick list and as a job sheet. */
export function PlanScreen() {
  const { need, opens } = useCost();
  const { show } = useUnits();
  const { sheet } = useRepair();
  const { coolant } = sheet.plan;
  const line = opens
    ? `${need.containers} × ${show('volume', coolant.container_l, 1)} coolant ${coolant.kind === 'concentrate' ? 'concentrate' : coolant.kind === 'ready' ? 'ready mix' : 'waterless'}${coolant.approvalNew === '' ? '' : `, ${coolant.approvalNew}`}`
    : null;
  const [paper, setPaper] = useState<'pick' | 'sheet'>('sheet');
  const print = (which: 'pick' | 'sheet') => {
    flushSync(() => setPaper(which));
    window.print();
  };
  return (
    <>
      <div className="hidden print:block">
        {paper === 'pick' ? <PickSheet coolantLine={line} /> : <JobSheet coolantLine={line} />}
      </div>
      <div className="mt-4 space-y-8 print:hidden">
        <div className="flex flex-wrap items-start justify-between gap-4">
          <Head />
          <div className="flex gap-2">
            <button type="button" className="btn" onClick={() => print('pick')}>
              Print the pick list
            </button>
            <button type="button" className="btn" onClick={() => print('sheet')}>
              Print the job sheet
            </button>
          </div>
        </div>
        <div className="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
          <div className="space-y-8">
            <WorkChoice />
            <PartsTable />
            <References />
            <Exceptions />
          </div>
          <div className="space-y-8">
            <CoolantChoice />
            <ExtrasSheet />
            <PickList coolantLine={line} />
            <Disagreements at="plan" more={SCHOOLS.filter((s) => SCHOOL_IDS.includes(s.id))} />
            <Cautions of={['maker-first']} />
          </div>
        </div>
      </div>
    </>
  );
}
