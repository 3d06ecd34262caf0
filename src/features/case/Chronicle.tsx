'use client';

import { format } from 'date-fns';
import { useState } from 'react';
import { inOrder, type Entry } from '@/core/case';
import { entryText, KIND_NAME } from '@/job/entryWords';
import { useJob } from '@/job/JobProvider';
import { Simulated } from '@/job/Simulated';
import { useKeep } from '@/job/useKeep';
import { changeEntry, deleteEntry, takeBack, undoEntries } from '@/storage/entries';
import { useUnits } from '@/ui/units';

const LOCAL = "yyyy-MM-dd'T'HH:mm";

function Row({ entry }: { entry: Entry }) {
  const { job, traces, case: found } = useJob();
  const { show, say } = useUnits();
  const keep = useKeep();
  const trace = entry.kind === 'drive' ? traces.find((t) => t.id === entry.traceId) : undefined;
  const said = entryText(entry, show, () => trace?.fileName ?? 'a log that is gone');
  const out = entry.takenBack === true;
  const moves = found.lines.filter((l) => l.entryId === entry.id).length > 0 || entry.kind === 'work';
  const remark = out
    ? 'taken back'
    : found.superseded.has(entry.id)
      ? 'a later reading counts'
      : moves
        ? ''
        : 'moves nothing';
  return (
    <li
      className={`grid grid-cols-[11.5rem_6rem_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-base-content/15 py-1 max-sm:grid-cols-[11.5rem_minmax(0,1fr)] max-sm:[&>*:nth-child(n+3)]:col-span-2 ${entry.kind === 'work' ? 'border-t-2 border-t-base-content font-semibold' : ''}`}
    >
      <input
        type="datetime-local"
        className="input w-full input-sm"
        aria-label={`When: ${said}`}
        value={format(entry.at, LOCAL)}
        onChange={(e) => {
          const at = new Date(e.target.value).getTime();
          if (Number.isFinite(at)) keep(() => changeEntry(job.id, entry.id, { at }), { undo: undoEntries });
        }}
      />
      <span className="type-label">{KIND_NAME[entry.kind]}</span>
      <span className={out ? 'line-through opacity-70' : ''}>
        {say(said)} {trace?.simulated && <Simulated />}
        {remark !== '' && <span className="ml-2 text-sm type-label">{remark}</span>}
      </span>
      <span className="flex gap-1">
        {entry.kind !== 'drive' && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() =>
              keep(() => takeBack(job.id, entry.id, !out), {
                says: out ? 'It counts again.' : 'Taken back: it moves nothing.',
                undo: undoEntries,
              })
            }
          >
            {out ? 'Count it again' : 'Take back'}
          </button>
        )}
        {out && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => keep(() => deleteEntry(job.id, entry.id), { says: 'Deleted.', undo: undoEntries })}
          >
            Delete
          </button>
        )}
      </span>
    </li>
  );
}

/** Everything that is known of a job, dated, in order of time. */
export function Chronicle() {
  const { entries } = useJob();
  const [all, setAll] = useState(false);
  const back = entries.filter((e) => e.takenBack === true).length;
  const shown = inOrder(entries).filter((e) => all || e.takenBack !== true);
  return (
    <section aria-labelledby="chronicle-title">
      <div className="flex items-baseline gap-4">
        <h2 id="chronicle-title" className="text-2xl type-sign">
          Chronicle
        </h2>
        {back > 0 && (
          <button type="button" className="underline underline-offset-4" onClick={() => setAll(!all)}>
            {all ? 'Hide what was taken back' : `Show ${back} taken back`}
          </button>
        )}
      </div>
      {shown.length === 0 ? (
        <p className="mt-2">
          Nothing is written down yet. Statements, codes, readings, drives and work each become a line here.
        </p>
      ) : (
        <ul className="mt-2" data-testid="chronicle">
          {shown.map((entry) => (
            <Row key={entry.id} entry={entry} />
          ))}
        </ul>
      )}
    </section>
  );
}
