'use client';

import { useState } from 'react';
import { newThermostatPassed, WORK, WORK_KINDS, workSpec, type WorkKind } from '@/core/case';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { isBeforeProof } from '@/job/jobWords';
import { useWrite } from '@/job/useWrite';
import { addEntry, undoEntries } from '@/storage/entries';
import { setStanding } from '@/storage/jobs';

/** Writes down work that was done: it moves what is wrong now, and leaves what was wrong at arrival to be told. */
export function WorkForm() {
  const { job, entries } = useJob();
  const write = useWrite();
  const [work, setWork] = useState<WorkKind | ''>('');
  const [detail, setDetail] = useState('');
  // A new part that passed on the bench need not be ticked again.
  const [ticked, setBenchPassed] = useState<boolean | null>(null);
  const passed = work === 'replaced-thermostat' && newThermostatPassed(entries);
  const benchPassed = ticked ?? passed;
  const fits = work !== '' && workSpec(work).brings.length > 0;
  const keep = async () => {
    if (work === '') return;
    const kept = await write(
      addEntry(job.id, { kind: 'work', work, detail: detail.trim(), benchPassed: fits && benchPassed }),
      { says: `${WORK[work].done}: written down.`, undo: undoEntries },
    );
    if (kept === null) return;
    if (isBeforeProof(job.state)) await write(setStanding(job.id, { state: 'to-prove' }));
    setWork('');
    setDetail('');
    setBenchPassed(null);
  };
  return (
    <section aria-labelledby="work-title">
      <h2 id="work-title" className="text-2xl type-sign">
        Work done
      </h2>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <label className="block max-w-full">
          <span className="block leading-tight font-semibold">What was done</span>
          <select
            className="select mt-1 w-80 max-w-full text-base"
            value={work}
            onChange={(e) => setWork(e.target.value as WorkKind | '')}
          >
            <option value="">Choose</option>
            {WORK_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {WORK[kind].done}
              </option>
            ))}
          </select>
        </label>
        <label className="block min-w-56 flex-1">
          <span className="block leading-tight font-semibold">Part, rating, source</span>
          <input
            className="input mt-1 w-full text-base"
            maxLength={200}
            placeholder="88 °C, pattern part, with seal"
            value={detail}
            onChange={(e) => setDetail(e.target.value)}
          />
        </label>
        {fits && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={benchPassed}
              onChange={(e) => setBenchPassed(e.target.checked)}
            />
            New part bench-tested{passed && ticked === null ? ', as on the bench' : ''}
          </label>
        )}
        <button type="submit" className="btn btn-primary" disabled={work === ''}>
          Write it down
        </button>
      </form>
      {work !== '' && workSpec(work).opens && (
        <Cautions
          className="mt-2"
          of={[
            'never-open-hot',
            'any-coolant-burns',
            'coolant-is-poison',
            'goggles-and-gloves',
            'recycling-point',
            'not-on-a-jack',
            'lower-before-running',
            'sensor-in-air',
          ]}
        />
      )}
      {work === 'mended-fan' && <Cautions className="mt-2" of={['fan-starts-alone', 'same-fuse']} />}
      {(work === 'mended-wiring' || work === 'replaced-sender' || work === 'mended-heating-circuit') && (
        <Cautions className="mt-2" of={['key-off-before-unplugging']} />
      )}
    </section>
  );
}
