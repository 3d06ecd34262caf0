'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import { CODES, readCode, type CodeReading } from '@/core/codes';
import type { CodeEntry } from '@/core/case';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { addEntry, changeEntry, changeEntryText, takeBack, undoEntries } from '@/storage/entries';
import { Caution } from '@/ui/Caution';
import { SavedText } from '@/ui/SavedText';

function StoredCode({ entry }: { entry: CodeEntry }) {
  const { job } = useJob();
  const keep = useKeep();
  const write = useWrite();
  const known = CODES.find((c) => c.code === entry.code);
  const clear = () =>
    write(changeEntry(job.id, entry.id, { clearedAt: entry.clearedAt === null ? Date.now() : null }), {
      says:
        entry.clearedAt === null
          ? `${entry.code} was cleared: from now on it is a code of before.`
          : `${entry.code} stands again.`,
      undo: undoEntries,
    });
  return (
    <li className="border-t border-base-content/20 pt-2">
      <div className="flex items-baseline gap-3">
        <span className="text-xl type-sign">{entry.code}</span>
        <span className="flex-1 font-semibold">
          {known?.meaning ?? 'Not about coolant'}
          {entry.clearedAt !== null && <span className="type-label"> (cleared)</span>}
        </span>
        <button type="button" className="btn self-center btn-ghost btn-sm" onClick={() => void clear()}>
          {entry.clearedAt === null ? 'Cleared' : 'Not cleared'}
        </button>
        <button
          type="button"
          className="btn btn-square self-center btn-ghost btn-sm"
          aria-label={`Remove ${entry.code}`}
          onClick={() =>
            keep(() => takeBack(job.id, entry.id), { says: `${entry.code} taken back.`, undo: undoEntries })
          }
        >
          <X aria-hidden className="size-4" />
        </button>
      </div>
      {known && (
        <p className="text-sm leading-snug">
          Does not prove: {known.doesNotProve} Runs: {known.runsWhen}
        </p>
      )}
      <SavedText
        id={`freeze-${entry.id}`}
        label="Freeze frame"
        hint="Coolant, intake air, load, speed, time from start"
        value={entry.freezeFrame}
        rows={1}
        onSave={(to) => changeEntryText(job.id, entry.id, 'freezeFrame', to)}
      />
    </li>
  );
}

/** Stored codes with their meaning, what they do not prove, and the frame frozen with them. */
export function CodesSection() {
  const { job, entries } = useJob();
  const write = useWrite();
  const [typed, setTyped] = useState('');
  const [read, setRead] = useState<CodeReading | null>(null);
  const codes = entries.filter((e): e is CodeEntry => e.kind === 'code' && e.takenBack !== true);

  const store = async (code: string) => {
    const stored = codes.some((c) => c.code === code && c.clearedAt === null);
    if (!stored && (await write(addEntry(job.id, { kind: 'code', code, freezeFrame: '', clearedAt: null }))) === null)
      return;
    setTyped('');
    setRead(null);
  };
  const enter = () => {
    if (typed.trim() === '') return;
    const reading = readCode(typed);
    if (reading.kind === 'known') void store(reading.meaning.code);
    else setRead(reading);
  };
  return (
    <section aria-labelledby="codes-title">
      <h2 id="codes-title" className="text-2xl type-sign">
        Stored codes
      </h2>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          enter();
        }}
      >
        <input
          className="input w-36 text-base uppercase"
          aria-label="Code"
          placeholder="P0128"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setRead(null);
          }}
        />
        <button type="submit" className="btn">
          Add the code
        </button>
      </form>
      {read?.kind === 'malformed' && (
        <div role="alert" className="mt-2 border-l-4 border-error pl-3">
          <p>
            <strong>{read.typed}</strong> is not a code: a letter, then four figures.{' '}
            {read.perhaps.length > 0 ? 'Is it one of these?' : 'Read it again.'}
          </p>
          <div className="mt-1 flex gap-2">
            {read.perhaps.map((code) => (
              <button key={code} type="button" className="btn btn-sm" onClick={() => void store(code)}>
                {code}
              </button>
            ))}
          </div>
        </div>
      )}
      {read?.kind === 'other' && (
        <div role="alert" className="mt-2">
          <Caution>
            {read.code} is a code, but not one of coolant temperature, thermostat or fan. Keep it on the job; it moves
            no odds.
          </Caution>
          <button type="button" className="btn mt-1 btn-sm" onClick={() => void store(read.code)}>
            Keep {read.code}
          </button>
        </div>
      )}
      <ul className="mt-3 space-y-4">
        {codes.map((entry) => (
          <StoredCode key={entry.id} entry={entry} />
        ))}
      </ul>
      <Cautions className="mt-3" of={['save-before-clearing']} />
    </section>
  );
}
