'use client';

import { Printer } from 'lucide-react';
import { handOverSteps } from '@/core/closing';
import { useJob } from '@/job/JobProvider';
import { PrintHead } from '@/job/PrintHead';
import { useClosing } from '@/job/useClosing';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { WasteForm } from '@/job/WasteForm';
import { changeVehicle } from '@/storage/changeVehicle';
import { setStanding } from '@/storage/jobs';
import { standingIn } from '@/storage/jobStanding';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { useToast } from '@/ui/Toasts';
import { Costs } from './Costs';
import { HandOver } from './HandOver';
import { MOST_KM } from './mostKm';
import { NextTime } from './NextTime';

/** Cost, waste, hand-over, what is due next, and the notes for next time. */
export function CloseScreen() {
  const { job, vehicle, entries, repair } = useJob();
  const inHand = useClosing();
  const { closing, put, unread } = inHand;
  const keep = useKeep();
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
          if (before) keep(() => setStanding(job.id, before));
          if (km) keep(() => changeVehicle(vehicle.id, km, false));
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
          <WasteForm />
        </div>
        <div className="lg:col-span-2">
          <NextTime inHand={inHand} />
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
