'use client';

import { Check, Printer, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { pricesFor } from '@/core/case';
import { costSheet, handOverSteps, wasteRecord, type ClosingSheet, type NextDue } from '@/core/closing';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { PrintHead } from '@/job/PrintHead';
import { useClosing, type ClosingInHand } from '@/job/useClosing';
import { useRepair } from '@/job/useRepair';
import { useWrite } from '@/job/useWrite';
import { changeVehicle } from '@/storage/changeVehicle';
import { changeClosing } from '@/storage/closings';
import { setStanding } from '@/storage/jobs';
import { standingIn } from '@/storage/jobStanding';
import { RangedInput } from '@/ui/RangedInput';
import { SavedText } from '@/ui/SavedText';
import { TextField } from '@/ui/TextField';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { CostTable } from './CostTable';

const MOST_KM = 5e6;

/** Minutes taken, deposits, and costs beside. */
function Costs({ inHand }: { inHand: ClosingInHand }) {
  const { vehicle, repair, figures } = useJob();
  const { sheet, begun, put: putRepair } = useRepair();
  const { closing, put } = inHand;
  const [what, setWhat] = useState('');
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  const cost = costSheet(repair, closing, { vehicle: vehicle.vehicle, prices });
  return (
    <section aria-labelledby="cost-title">
      <h2 id="cost-title" className="text-2xl type-sign">
        Cost
      </h2>
      <div className="[&_.num]:text-right [&_table]:my-2 [&_table]:w-full [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3 [&_th]:text-left [&_th]:font-semibold [&_tr]:border-b [&_tr]:border-base-content/15">
        <CostTable cost={cost} currency={prices.currency} />
      </div>
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        {begun && (
          <RangedInput
            id="minutes-taken"
            label="Minutes taken"
            family={null}
            unit="min"
            digits={0}
            value={sheet.plan.minutesTaken}
            low={0}
            high={100_000}
            onValue={(minutesTaken) => putRepair('plan', { minutesTaken })}
            onEmptied={() => putRepair('plan', { minutesTaken: null })}
          />
        )}
        <form
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (what.trim() === '') return;
            const line = { id: crypto.randomUUID(), what: what.trim(), amount: 0 };
            put((now) => ({ extraCosts: [...now.extraCosts, line] }));
            setWhat('');
          }}
        >
          <label className="block">
            <span className="block leading-tight font-semibold">Something beside</span>
            <input
              className="input mt-1 w-56 text-base"
              placeholder="fuel of the drives, cleaner, postage"
              maxLength={200}
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
          </label>
          <button type="submit" className="btn" disabled={what.trim() === ''}>
            Add
          </button>
        </form>
      </div>
      <ul className="mt-2 print:hidden">
        {closing.extraCosts.map((e) => (
          <li key={e.id} className="flex flex-wrap items-end gap-3 py-1">
            <RangedInput
              id={`extra-${e.id}`}
              label={e.what}
              family={null}
              unit={prices.currency}
              digits={2}
              value={e.amount}
              low={-1e6}
              high={1e6}
              onValue={(amount) =>
                put((now) => ({ extraCosts: now.extraCosts.map((x) => (x.id === e.id ? { ...x, amount } : x)) }))
              }
            />
            <button
              type="button"
              className="btn btn-square btn-ghost"
              aria-label={`Take off ${e.what}`}
              onClick={() =>
                put((now) => ({ extraCosts: now.extraCosts.filter((x) => x.id !== e.id) }), `${e.what} taken off.`)
              }
            >
              <Trash2 aria-hidden className="size-5" />
            </button>
          </li>
        ))}
        {sheet.plan.parts
          .filter((p) => (p.deposit ?? 0) > 0)
          .map((p) => (
            <li key={p.id}>
              <label className="flex min-h-11 items-center gap-3">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={p.depositBackAt !== null}
                  onChange={(e) => {
                    const depositBackAt = e.target.checked ? Date.now() : null;
                    putRepair('plan', (now) => ({
                      parts: now.parts.map((x) => (x.id === p.id ? { ...x, depositBackAt } : x)),
                    }));
                  }}
                />
                Old {p.name.toLowerCase()} sent back, deposit returned
              </label>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** What came out of the car, and where it went. */
function Waste() {
  const { repair } = useJob();
  const { put, sheet } = useRepair();
  const { show } = useUnits();
  const waste = wasteRecord(repair);
  if (!waste) return null;
  const { disposal } = sheet.drain;
  const set = (to: Partial<typeof disposal>) =>
    put('drain', (now) => ({ disposal: { ...now.disposal, ...to, at: now.disposal.at ?? Date.now() } }));
  return (
    <section aria-labelledby="waste-title" data-testid="waste">
      <h2 id="waste-title" className="text-2xl type-sign">
        Waste
      </h2>
      <p className={waste.missing_l > 0.1 ? 'font-semibold' : ''}>
        {show('volume', waste.out_l, 1)} came out
        {waste.spilled_l > 0 ? `, ${show('volume', waste.spilled_l, 1)} of it spilled` : ''};{' '}
        {waste.missing_l > 0.1
          ? `${show('volume', waste.missing_l, 1)} not written down as handed in.`
          : 'all of it is accounted for.'}
      </p>
      <div className="mt-2 flex flex-wrap gap-4">
        <RangedInput
          id="handed-in"
          label="Handed in"
          family="volume"
          value={disposal.l}
          low={0}
          high={1000}
          onValue={(l) => set({ l })}
          onEmptied={() => set({ l: null })}
        />
        <TextField
          id="handed-at"
          label="Where"
          className="w-64"
          hint="recycling point"
          value={disposal.place}
          onText={(place) => set({ place })}
        />
      </div>
      <Cautions className="mt-2" of={['recycling-point', 'coolant-is-poison']} />
    </section>
  );
}

function HandOver({ inHand }: { inHand: ClosingInHand }) {
  const { vehicle, repair } = useJob();
  const { closing, put } = inHand;
  const tick = (id: string) =>
    put(({ done }) => {
      const { [id]: was, ...rest } = done;
      return { done: was === undefined ? { ...rest, [id]: Date.now() } : rest };
    });
  return (
    <section aria-labelledby="hand-over-title">
      <h2 id="hand-over-title" className="text-2xl type-sign">
        Hand over
      </h2>
      <ol data-testid="hand-over">
        {handOverSteps(vehicle.vehicle, repair).map(({ id, says }) => {
          const ticked = closing.done[id] !== undefined;
          return (
            <li key={id} className="border-t border-base-content/15">
              <button
                type="button"
                role="checkbox"
                aria-checked={ticked}
                className="flex min-h-12 w-full cursor-pointer items-center gap-4 text-left text-lg leading-snug hover:bg-base-200"
                onClick={() => tick(id)}
              >
                <span
                  aria-hidden
                  className={`flex size-8 shrink-0 items-center justify-center border-2 ${ticked ? 'border-success bg-success text-success-content' : 'border-base-content/60'}`}
                >
                  {ticked && <Check className="size-6" strokeWidth={3} />}
                </span>
                {says}
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** What is due next, and what the next one who has this car should know. */
function Next({ inHand }: { inHand: ClosingInHand }) {
  const { job } = useJob();
  const { closing, put } = inHand;
  const due = (to: Partial<NextDue>) => put((now) => ({ nextDue: { ...now.nextDue, ...to } }));
  const text = (key: 'notesNext' | 'toWatch') => (words: string) =>
    changeClosing(job.id, (s): ClosingSheet => ({ ...s, [key]: words }));
  return (
    <section aria-labelledby="next-title" className="print:hidden">
      <h2 id="next-title" className="text-2xl type-sign">
        Next time
      </h2>
      <div className="mt-2 flex flex-wrap gap-4">
        <TextField
          id="due-what"
          label="Due next"
          className="w-64"
          hint="coolant by the handbook"
          value={closing.nextDue.what}
          onText={(what) => due({ what })}
        />
        <TextField
          id="due-on"
          label="On"
          type="date"
          className="w-44"
          value={closing.nextDue.on}
          onText={(on) => due({ on })}
        />
        <RangedInput
          id="due-km"
          label="Or at"
          family="distance"
          digits={0}
          value={closing.nextDue.at_km}
          low={0}
          high={MOST_KM}
          onValue={(at_km) => due({ at_km })}
          onEmptied={() => due({ at_km: null })}
        />
        <TextField
          id="due-source"
          label="By whose word"
          className="w-52"
          hint="handbook, page"
          value={closing.nextDue.source}
          onText={(source) => due({ source })}
        />
      </div>
      <div className="mt-3 grid grid-cols-1 gap-4 md:grid-cols-2">
        <SavedText
          id="notes-next"
          label="For next time on this vehicle"
          hint="hidden screw, tool that fitted, what broke: it comes up at its next arrival"
          rows={3}
          value={closing.notesNext}
          onSave={text('notesNext')}
        />
        <SavedText
          id="to-watch"
          label="Told the customer to watch"
          hint="goes into the report"
          rows={3}
          value={closing.toWatch}
          onSave={text('toWatch')}
        />
      </div>
    </section>
  );
}

/** Cost, waste, hand-over, what is due next, and the notes for next time. */
export function CloseScreen() {
  const { job, vehicle, entries, repair } = useJob();
  const inHand = useClosing();
  const { closing, put, unread } = inHand;
  const write = useWrite();
  const toast = useToast();
  const proven = entries.findLast((e) => e.kind === 'proof' && e.item === 'verdict' && e.takenBack !== true);
  const signed = proven?.kind === 'proof' ? proven.answer : null;
  const open = handOverSteps(vehicle.vehicle, repair).filter((s) => closing.done[s.id] === undefined);
  const handOver = async () => {
    const { odometer_km } = closing;
    put({ handedOverAt: Date.now() });
    const before = await write(setStanding(job.id, signed === 'proven' ? { state: 'finished' } : standingIn(job)));
    const km = odometer_km === null ? null : await write(changeVehicle(vehicle.id, { mileage_km: odometer_km }, false));
    toast({
      kind: 'info',
      text: 'Handed over.',
      action: {
        label: 'Undo',
        run: () => {
          put({ handedOverAt: null });
          if (before) void write(setStanding(job.id, before));
          if (km) void write(changeVehicle(vehicle.id, km, false));
        },
      },
    });
  };
  return (
    <div className="pt-3">
      <PrintHead title="Hand-over sheet" log="" />
      {unread !== null && (
        <p role="alert" className="mb-3 border-l-4 border-warning pl-3">
          The closing of this job was written by another version: {unread}. It is kept as it came.
        </p>
      )}
      <div className="mb-4 flex flex-wrap items-end gap-4 print:hidden">
        <p className="flex-1 text-xl leading-snug font-semibold" data-testid="closing-says">
          {closing.handedOverAt !== null
            ? 'Handed over.'
            : signed === 'proven'
              ? 'Proven and signed: hand it over.'
              : signed === null
                ? 'No verdict is signed yet: it goes out unproven, and says so.'
                : 'The repair is not proven: hand it over with its day to come back.'}
        </p>
        <button type="button" className="btn" onClick={() => window.print()}>
          <Printer aria-hidden className="size-5" /> Print
        </button>
      </div>
      <div className="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
        <HandOver inHand={inHand} />
        <div className="flex flex-col gap-8">
          <Costs inHand={inHand} />
          <Waste />
        </div>
        <div className="lg:col-span-2">
          <Next inHand={inHand} />
        </div>
      </div>
      <section aria-label="Hand over" className="mt-6 flex flex-wrap items-end gap-4 print:hidden">
        <RangedInput
          id="odometer"
          label="Odometer"
          family="distance"
          digits={0}
          value={closing.odometer_km ?? vehicle.mileage_km}
          low={0}
          high={MOST_KM}
          onValue={(odometer_km) => put({ odometer_km })}
          onEmptied={() => put({ odometer_km: null })}
        />
        <TextField
          id="handed-by"
          label="Handed over by"
          className="w-56"
          value={closing.by}
          onText={(by) => put({ by })}
        />
        <button
          type="button"
          className="btn min-h-14 text-lg btn-primary"
          disabled={closing.handedOverAt !== null || unread !== null}
          onClick={() => void handOver()}
        >
          {closing.handedOverAt === null ? 'Handed over' : 'Is handed over'}
        </button>
        {open.length > 0 && closing.handedOverAt === null && (
          <span className="type-label">{open.length} lines of the hand-over are open.</span>
        )}
      </section>
    </div>
  );
}
