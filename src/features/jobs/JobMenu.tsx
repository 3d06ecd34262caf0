'use client';

import { ChevronDown, Redo2, Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import { saveJob } from '@/job/jobFile';
import { useJob } from '@/job/JobProvider';
import { useUndo } from '@/job/useUndo';
import { useWrite } from '@/job/useWrite';
import { BIN_DAYS, putBackDeleted } from '@/storage/bin';
import { deleteJob } from '@/storage/jobs';
import { jobScope } from '@/storage/journal/journalMiddleware';
import { Menu } from '@/ui/Menu';

/** Undo of the last step, and what concerns the job as a whole. */
export function JobMenu() {
  const { job, vehicle } = useJob();
  const { undoes, redoes, undo, redo } = useUndo(jobScope(job.id));
  const write = useWrite();
  const router = useRouter();
  useHotkeys('mod+z', undo, { enabled: undoes !== null, preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { enabled: redoes !== null, preventDefault: true });
  const remove = async () => {
    const deleted = await write(deleteJob(job.id), {
      says: `Job on ${vehicle.plate} is in the bin for ${BIN_DAYS} days.`,
      undo: putBackDeleted,
    });
    if (deleted !== null) router.push('/');
  };
  return (
    <>
      <button
        type="button"
        className="btn my-auto btn-ghost btn-sm"
        disabled={undoes === null}
        title={undoes === null ? 'Nothing to undo' : `Undo: ${undoes} (Ctrl Z)`}
        onClick={undo}
      >
        <Undo2 aria-hidden className="size-4" /> Undo
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
        <button type="button" onClick={() => void write(saveJob(job.id))}>
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
