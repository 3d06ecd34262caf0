'use client';

import { standingReading } from '@/core/case';
import { bleedReserve_l, FILL_STEPS, PLACE_CAUTIONS, REUSE_STEPS, strengthBought_pct, totals } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { useUnits } from '@/ui/units';
import { Disagreements } from '../Disagreements';
import { FlowForm, FlowLines } from '../drain/FlowForm';
import { TickList, toggled } from '../TickList';
import { Target } from './Target';
import { Volumes } from './Volumes';
import { WrittenWork } from './WrittenWork';

const PLACE = 'repair';

/** Whether drained coolant may go back in. */
function Reuse() {
  const { sheet, put } = useRepair();
  const { reuse } = sheet.fill;
  const all = REUSE_STEPS.every((s) => reuse[s.id] === true);
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">Put the drained one back?</summary>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.reuse} />
      <ul data-testid="reuse">
        {REUSE_STEPS.map((s) => (
          <li key={s.id}>
            <label className="flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={reuse[s.id] === true}
                onChange={(e) => put('fill', (now) => ({ reuse: { ...now.reuse, [s.id]: e.target.checked } }))}
              />
              {s.says}
            </label>
          </li>
        ))}
      </ul>
      <p className="font-semibold" data-testid="reuse-says">
        {all ? 'It may go back in.' : 'Not with one of these open: new coolant.'}
      </p>
    </details>
  );
}

/** The minimum that must be in before the engine starts. */
function BeforeStart() {
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { beforeStart_l } = sheet.fill;
  const minimum_l = beforeStart_l ?? sheet.bleed.procedure?.minimum_l ?? null;
  const { in_l } = totals(sheet.drain.lines);
  return (
    <div>
      <RangedInput
        id="before-start"
        label="At least in before the start"
        family="volume"
        digits={2}
        hint="by the maker’s page"
        value={beforeStart_l}
        low={0}
        high={200}
        onValue={(l) => put('fill', { beforeStart_l: l })}
        onEmptied={() => put('fill', { beforeStart_l: null })}
      />
      {minimum_l !== null && in_l < minimum_l && (
        <p role="alert" className="border-l-4 border-error pl-3 font-semibold" data-testid="minimum">
          Do not start: {show('volume', minimum_l - in_l, 1)} are missing to the minimum of{' '}
          {show('volume', minimum_l, 1)}.
        </p>
      )}
      {minimum_l !== null && in_l >= minimum_l && <p className="font-semibold">The minimum is in.</p>}
    </div>
  );
}

/** Mixing and filling: volumes with what stayed inside counted, and the steps. */
export function FillScreen() {
  const { entries, vehicle } = useJob();
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { coolant } = sheet.plan;
  const level = standingReading(entries, 'level', PLACE);
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <div className="space-y-7">
        <Volumes />
        <section aria-labelledby="in-title">
          <h2 id="in-title" className="text-2xl type-sign">
            What goes in
          </h2>
          <p className="text-sm">
            Keep {show('volume', bleedReserve_l(vehicle.vehicle.coolant.volume_l), 1)} mixed and ready for the bleeding.
            What is drawn off from an over-filled tower goes down here too.
          </p>
          <FlowForm
            kinds={['added', 'drawn-off']}
            pct={strengthBought_pct(coolant)}
            what={['Concentrate', 'Ready mix', 'Water', 'Drained coolant']}
          />
          <FlowLines />
        </section>
        <section aria-labelledby="fill-steps-title">
          <h2 id="fill-steps-title" className="text-2xl type-sign">
            In this order
          </h2>
          <TickList
            steps={FILL_STEPS}
            done={sheet.fill.done}
            testId="fill-steps"
            onTick={(id) => put('fill', ({ done }) => ({ done: toggled(done, id, Date.now()) }))}
            extra={(id) =>
              id === 'start' ? (
                <BeforeStart />
              ) : id === 'level' ? (
                <div className="flex flex-wrap gap-5">
                  <MeasuredField name="level" value="above_mark_mm" place={PLACE} reading={level} />
                  <MeasuredField name="level" value="at_c" place={PLACE} reading={level} />
                </div>
              ) : null
            }
          />
        </section>
      </div>
      <div className="space-y-8">
        <Target />
        <Reuse />
        <WrittenWork />
        <Disagreements at="fill" />
        <Cautions of={coolant.kind === 'waterless' ? ['waterless', 'maker-first'] : ['maker-first']} />
      </div>
    </div>
  );
}
