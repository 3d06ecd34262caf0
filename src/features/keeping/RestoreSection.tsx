'use client';

import { format } from 'date-fns';
import { useState } from 'react';
import type { ReadyBackup } from '@/storage/backup/backupApi';
import type { RestoreWay, TableChange } from '@/storage/backup/restoreStaged';
import { clearStaged, RESTORE_LOCK } from '@/storage/durability';
import { useKeep } from '@/job/useKeep';
import { Caution } from '@/ui/Caution';
import { FileButton } from '@/ui/FileButton';
import { useToast } from '@/ui/Toasts';
import { startRestore, startStaging } from '@/job/backupClient';
import { useRunning } from '@/job/useRunning';
import { WorkLine } from '@/job/WorkLine';

/** Tables as a person calls what is in them; the rest go along unnamed. */
const NAMES: Readonly<Record<string, string>> = {
  jobs: 'Jobs',
  vehicles: 'Vehicles',
  entries: 'Entries of the chronicle',
  traces: 'Logs',
  photos: 'Photos',
  repairs: 'Repairs',
  closings: 'Closings',
  runs: 'Stopwatches',
  recordings: 'Recordings',
  procedures: 'Procedures',
  triage: 'Many logs',
  findings: 'Findings',
  settings: 'Settings',
  bin: 'In the bin',
};

function Preview({ changes }: { changes: readonly TableChange[] }) {
  const told = changes.filter((c) => c.added + c.differing + c.onlyHere + c.same > 0);
  return (
    <table className="mt-3 w-full max-w-3xl text-[0.9375rem]" data-testid="restore-preview">
      <caption className="sr-only">What the backup would change</caption>
      <thead>
        <tr className="text-left align-bottom">
          <th scope="col" className="py-1" />
          <th scope="col" className="pr-4 text-right">
            Not here yet
          </th>
          <th scope="col" className="pr-4 text-right">
            The same
          </th>
          <th scope="col" className="pr-4 text-right">
            Differ, later in the file
          </th>
          <th scope="col" className="pr-4 text-right">
            Differ, later here
          </th>
          <th scope="col" className="text-right">
            Only here
          </th>
        </tr>
      </thead>
      <tbody>
        {told.map((c) => (
          <tr key={c.table} className="border-t border-base-content/15 tabular-nums">
            <th scope="row" className="py-1 text-left font-semibold">
              {NAMES[c.table] ?? c.table}
            </th>
            {[c.added, c.same, c.later, c.differing - c.later, c.onlyHere].map((n, i) => (
              <td key={i} className={`pr-4 text-right last:pr-0 ${n === 0 ? 'text-base-content/60' : 'font-semibold'}`}>
                {n}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Takes a backup in: looked at first, then added to what is here or put in its place, whole or not at all. */
export function RestoreSection() {
  const [ready, setReady] = useState<ReadyBackup | null>(null);
  const [busy, setBusy] = useState(false);
  const work = useRunning();
  const keep = useKeep();
  const toast = useToast();
  const look = (file: File) =>
    // What is laid ready lies in one place: one tab at a time.
    navigator.locks.request(RESTORE_LOCK, { ifAvailable: true }, async (lock) => {
      setBusy(lock === null);
      if (!lock) return;
      const staged = await work.run((onShare) => startStaging(file, onShare));
      setReady(staged);
      if (!staged) keep(clearStaged);
    });
  const take = async (way: RestoreWay) => {
    const done = await work.run((onShare) => startRestore(way, onShare));
    if (done === null) return;
    setReady(null);
    toast({
      kind: 'info',
      text: way === 'merge' ? 'The backup is added to what was here.' : 'The backup is restored.',
    });
  };
  const leave = () => {
    setReady(null);
    keep(clearStaged);
  };
  const gone = ready?.changes.find((c) => c.table === 'jobs')?.onlyHere ?? 0;
  return (
    <section aria-labelledby="restore-title">
      <h2 id="restore-title" className="text-2xl type-sign">
        Restore
      </h2>
      {!ready && (
        <>
          <p className="mt-1 max-w-prose">You see what a backup would change before anything does.</p>
          <div className="mt-3">
            <FileButton label="Backup file" accept=".zip" testId="backup-file" onFile={(file) => void look(file)}>
              Open a backup
            </FileButton>
          </div>
        </>
      )}
      {busy && (
        <p role="alert" className="mt-3 border-l-4 border-error pl-3">
          A backup is being taken in in another tab. Finish it there first.
        </p>
      )}
      <WorkLine work={work} doing={ready ? 'Taking it in' : 'Reading the backup'} />
      {ready && (
        <>
          <p className="mt-1">
            Backup of <strong>{format(ready.madeAt, 'd MMM yyyy, HH:mm')}</strong>, whole and undamaged: {ready.rows}{' '}
            rows.
          </p>
          <Preview changes={ready.changes} />
          <div className="mt-4 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn btn-primary"
              disabled={work.share !== null}
              onClick={() => void take('merge')}
            >
              Add to what is here
            </button>
            <button type="button" className="btn" disabled={work.share !== null} onClick={() => void take('replace')}>
              Put in place of what is here
            </button>
            <button type="button" className="btn btn-ghost" disabled={work.share !== null} onClick={leave}>
              Leave it
            </button>
          </div>
          <p className="mt-2 max-w-prose text-sm">
            Added: what is missing comes, the later of two comes or stays, what is only here stays.
          </p>
          {gone > 0 && (
            <Caution className="mt-2 max-w-prose">
              In its place: {gone} job{gone === 1 ? '' : 's'} that {gone === 1 ? 'is' : 'are'} only here would be gone,
              not into the bin. Save a backup of what is here first.
            </Caution>
          )}
        </>
      )}
    </section>
  );
}
