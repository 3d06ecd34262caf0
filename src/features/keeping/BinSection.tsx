'use client';

import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useKeep } from '@/job/useKeep';
import { BIN_DAYS, daysLeft, deleteForGood, listBin, putBack, type BinItem } from '@/storage/bin';
import type { BinKind } from '@/storage/records';

const KIND_NAME: Readonly<Record<BinKind, string>> = {
  job: 'Job',
  bench: 'Bench test',
  trace: 'Log',
  photo: 'Photo',
  recording: 'Recording',
  vehicle: 'Vehicle',
  procedure: 'Procedure',
  practice: 'Practice case',
  logs: 'Many logs',
};

function Row({ item, now }: { item: BinItem; now: number }) {
  const keep = useKeep();
  const [sure, setSure] = useState(false);
  const left = daysLeft(item, now);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-base-content/15 py-1.5">
      <span className="w-24 type-label">{KIND_NAME[item.kind]}</span>
      <span className="min-w-0 flex-1 basis-60 font-semibold break-words">{item.label}</span>
      <span className="type-label">
        deleted {format(item.deletedAt, 'd MMM')}, {left} day{left === 1 ? '' : 's'} left
      </span>
      <button
        type="button"
        className="btn"
        onClick={() => keep(() => putBack(item.id), { says: `${KIND_NAME[item.kind]} put back.` })}
      >
        Put back
      </button>
      {sure ? (
        <button type="button" className="btn btn-error" onClick={() => keep(() => deleteForGood(item.id))}>
          Yes, for good
        </button>
      ) : (
        <button type="button" className="btn btn-ghost" onClick={() => setSure(true)}>
          Delete for good
        </button>
      )}
    </li>
  );
}

/** What was deleted, with the way back. */
export function BinSection() {
  const items = useLiveQuery(listBin, []);
  const [now] = useState(() => Date.now());
  return (
    <section aria-labelledby="bin-title">
      <h2 id="bin-title" className="text-2xl type-sign">
        Bin
      </h2>
      <p className="mt-1 max-w-prose">
        {items?.length === 0
          ? `Empty. What you delete comes here for ${BIN_DAYS} days, with its logs, recordings and photos.`
          : `Kept for ${BIN_DAYS} days, with logs, recordings and photos.`}
      </p>
      <ul className="mt-2" data-testid="bin">
        {items?.map((item) => (
          <Row key={item.id} item={item} now={now} />
        ))}
      </ul>
    </section>
  );
}
