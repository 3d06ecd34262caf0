'use client';

import { format, formatDistanceToNow } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useKeep } from '@/job/useKeep';
import { loadBackupState, rememberBackup } from '@/storage/durability';
import { saveBlob } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { startBackup } from '@/job/backupClient';
import { megabytes } from './megabytes';
import { useRunning } from '@/job/useRunning';
import { WorkLine } from '@/job/WorkLine';

/** Packs the whole shop into one file; says when that was done last and what was done since. */
export function BackupSection() {
  const [now] = useState(() => Date.now());
  const state = useLiveQuery(() => loadBackupState(now), [now]);
  const work = useRunning();
  const keep = useKeep();
  const toast = useToast();
  const save = async () => {
    const at = Date.now();
    const blob = await work.run((onShare) => startBackup(at, onShare));
    if (!blob) return;
    saveBlob(`Varmek backup ${format(at, 'yyyy-MM-dd HH.mm')}.zip`, blob);
    keep(() => rememberBackup(at));
    toast({ kind: 'info', text: `The whole shop is in one file of ${megabytes(blob.size)}: keep it on another disk.` });
  };
  return (
    <section aria-labelledby="backup-title">
      <h2 id="backup-title" className="text-2xl type-sign">
        Backup
      </h2>
      <p className="mt-1 text-4xl type-sign" data-testid="backup-age">
        {state === undefined
          ? ' '
          : state.at === null
            ? 'None yet'
            : formatDistanceToNow(state.at, { addSuffix: true })}
      </p>
      <p className={state?.due ? 'font-bold text-error' : 'type-label'}>
        {state && `${state.since} change${state.since === 1 ? '' : 's'} since${state.due ? ': take one now' : ''}.`}
      </p>
      <button
        type="button"
        className="btn mt-3 btn-lg btn-primary"
        disabled={work.share !== null}
        onClick={() => void save()}
      >
        Save a backup
      </button>
      <WorkLine work={work} doing="Packing the shop" />
      <p className="mt-3 max-w-prose text-sm">
        One zip of every job, log, photo, vehicle, procedure and setting, the bin too. Rows are lines of JSON, logs and
        photos lie in it as they came: it can be read without Varmek.
      </p>
    </section>
  );
}
