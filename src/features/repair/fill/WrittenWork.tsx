'use client';

import { newThermostatPassed, WORK, workSpec, type WorkKind } from '@/core/case';
import { newSheet, worksDone } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { isBeforeProof } from '@/job/jobWords';
import { useRepair } from '@/job/useRepair';
import { useWrite } from '@/job/useWrite';
import type { NewEntry } from '@/storage/entries';
import { setStanding } from '@/storage/jobs';
import { enterRepair, undoEntered } from '@/storage/repairs';
import { useUnits } from '@/ui/units';

/** Writes the work of the repair into the chronicle: it moves what is wrong now. */
export function WrittenWork() {
  const { job, vehicle, entries } = useJob();
  const { sheet } = useRepair();
  const write = useWrite();
  const { showTemperature } = useUnits();
  const open = worksDone(sheet).filter((w) => sheet.written[w] === undefined);
  const detailOf = (work: WorkKind): string => {
    const parts = sheet.plan.parts.filter((p) => p.work === work);
    return parts
      .map((p) => [
        p.name,
        p.rated_c === null ? '' : showTemperature(p.rated_c),
        p.source === null ? '' : `${p.source}’s`,
        p.note,
      ])
      .map((words) => words.filter((w) => w !== '').join(', '))
      .join('; ');
  };
  const keep = async () => {
    const works = open.map((work): NewEntry<'work'> => ({
      ...{ kind: 'work', work, detail: detailOf(work) },
      benchPassed: workSpec(work).brings.length > 0 && work === 'replaced-thermostat' && newThermostatPassed(entries),
    }));
    const at = Object.fromEntries(open.map((w) => [w, Date.now()]));
    const entered = enterRepair(job.id, newSheet(vehicle.vehicle), works, (s) => ({
      ...s,
      written: { ...s.written, ...at },
    }));
    const kept = await write(entered, {
      says: `${works.length} ${works.length === 1 ? 'work' : 'works'} written down; the odds follow.`,
      undo: undoEntered,
    });
    if (kept !== null && isBeforeProof(job.state)) await write(setStanding(job.id, { state: 'to-prove' }));
  };
  const done = Object.keys(sheet.written) as WorkKind[];
  return (
    <section aria-labelledby="written-title">
      <h2 id="written-title" className="text-2xl type-sign">
        Work into the record
      </h2>
      <ul className="mt-1" data-testid="works-done">
        {done.map((w) => (
          <li key={w} className="type-label">
            {WORK[w].done}: written down
          </li>
        ))}
        {open.map((w) => (
          <li key={w} className="font-semibold">
            {WORK[w].done}
            {detailOf(w) === '' ? '' : `: ${detailOf(w)}`}
          </li>
        ))}
      </ul>
      {open.length === 0 ? (
        <p className="mt-1 text-sm">
          {done.length === 0
            ? 'Plan the work, or fill coolant in: then it is written down here.'
            : 'All of it stands in the case.'}
        </p>
      ) : (
        <button type="button" className="btn mt-2 min-h-14 btn-lg btn-primary" onClick={() => void keep()}>
          Write it down: the odds follow
        </button>
      )}
    </section>
  );
}
