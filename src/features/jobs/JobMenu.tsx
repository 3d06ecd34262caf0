'use client';

import { ChevronDown, Redo2, Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { ok } from '@/core/base';
import { startPacking } from '@/job/backupClient';
import { useJob } from '@/job/JobProvider';
import { useUndoKeys } from '@/job/useUndo';
import { useRunning } from '@/job/useRunning';
import { useWrite } from '@/job/useWrite';
import { BIN_DAYS, putBackDeleted } from '@/storage/bin';
import { deleteJob, deleteJobForGood } from '@/storage/jobs';
import { jobScope } from '@/storage/journal/journalMiddleware';
import { Menu } from '@/ui/Menu';
import { useToast } from '@/ui/Toasts';
import { saveBlob } from '@/ui/saveFile';

/** Undo of the last step, and what concerns the job as a whole. */
export function JobMenu() {
  const { job, vehicle } = useJob();
  const { undoes, redoes, undo, redo } = useUndoKeys(jobScope(job.id));
  const write = useWrite();
  const toast = useToast();
  const packing = useRunning();
  const router = useRouter();
  const save = async () => {
    const file = await packing.run(() => startPacking(job.id));
    if (file) saveBlob(`${vehicle.plate} job.zip`, file);
  };
  const removeForGood = async () => {
    const gone = await write(
      deleteJobForGood(job.id).then((r) => (r.ok ? ok(true) : r)),
      {
        says: `Job on ${vehicle.plate} is gone for good.`,
      },
    );
    if (gone !== null) router.push('/');
  };
  const remove = async () => {
    const result = await deleteJob(job.id);
    if (!result.ok && result.error.kind === 'full') {
      toast({
        kind: 'error',
        text: 'The disk is full: the copy for the bin does not fit either. Save the job as a file first if it may be missed.',
        action: { label: 'Delete for good', run: () => void removeForGood() },
      });
      return;
    }
    const deleted = await write(Promise.resolve(result), {
      says: `Job on ${vehicle.plate} is in the bin for ${BIN_DAYS} days.`,
      undo: putBackDeleted,
    });
    if (deleted !== null) router.push('/');
  };
  return (
    <>
      {packing.share !== null && (
        <button type="button" className="btn my-auto btn-sm" onClick={packing.stop}>
          Packing the job: stop
        </button>
      )}
      {packing.error !== null && (
        <p role="alert" className="my-auto text-sm text-error">
          {packing.error}
        </p>
      )}
      <button
        type="button"
        className="btn my-auto btn-ghost btn-sm"
        disabled={undoes === null}
        title={undoes === null ? 'Nothing to undo' : `Undo: ${undoes} (Ctrl Z)`}
        onClick={undo}
      >
        <Undo2 aria-hidden className="size-4" /> <span className="max-sm:sr-only">Undo</span>
      </button>
      <Menu
        label={
          <>
            Job <ChevronDown aria-hidden className="size-4" />
          </>
        }
      >
        <button type="button" disabled={redoes === null} onClick={redo}>
          <Redo2 aria-hidden className="size-5" /> Do again{redoes === null ? '' : `: ${redoes}`}
        </button>
        <button type="button" onClick={() => void save()}>
          Save job as a file
        </button>
        <hr className="my-1 border-base-content/20" />
        <button type="button" onClick={() => void remove()}>
          Delete job, into the bin
        </button>
      </Menu>
    </>
  );
}
