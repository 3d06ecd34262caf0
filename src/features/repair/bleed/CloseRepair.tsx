'use client';

import { heatedAt, levelsOf, newProof } from '@/core/case';
import { airVerdict, blockers, newSheet, worksDone } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { useKeep } from '@/job/useKeep';
import type { NewEntry } from '@/storage/entries';
import { enterRepair, undoEntered } from '@/storage/repairs';

/** Closes the repair as filled and bled: with nothing left open, and a cold level that stayed. */
export function CloseRepair() {
  const { job, vehicle, entries } = useJob();
  const { sheet, begun } = useRepair();
  const keep = useKeep();
  if (!begun || sheet.closedAt !== null) return null;
  const open = [
    ...blockers(sheet, vehicle.vehicle).map((s) => s.says.toLowerCase()),
    ...(worksDone(sheet).some((w) => sheet.written[w] === undefined) ? ['work not written into the record'] : []),
  ];
  const air = airVerdict(levelsOf(entries, sheet.bleed.levels), sheet.bleed.settled_mm, heatedAt(entries));
  const settled = air.verdict === 'settled';
  const entry: NewEntry = settled
    ? newProof({ text: 'Filled and bled: the cold level stayed over a heat cycle.' })
    : { kind: 'note', stage: 'repair', text: `Repair closed without a cold level that stayed. ${air.says}` };
  const close = () =>
    keep(() => enterRepair(job.id, newSheet(vehicle.vehicle), [entry], (s) => ({ ...s, closedAt: Date.now() })), {
      says: settled ? 'Filled and bled.' : 'Closed as it is.',
      undo: undoEntered,
    });
  return (
    <section aria-labelledby="close-title" className="print:hidden">
      <h2 id="close-title" className="text-2xl type-sign">
        Filled and bled?
      </h2>
      <p className="mt-1 leading-snug" data-testid="close-says">
        {open.length > 0
          ? `Still open: ${open.join('; ')}.`
          : settled
            ? 'Nothing is open, and the cold level stayed.'
            : 'Nothing is open, but no cold level has shown yet that the air is out.'}
      </p>
      <button
        type="button"
        className={`btn mt-2 min-h-16 btn-xl ${settled ? 'btn-primary' : 'btn-outline'}`}
        disabled={open.length > 0}
        onClick={close}
      >
        {settled ? 'Filled and bled' : 'Close without it'}
      </button>
    </section>
  );
}
