'use client';

import { format } from 'date-fns';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { changeEntry, undoEntries } from '@/storage/entries';
import { useUnits } from '@/ui/units';

const BY_HAND = 'by hand';

/** Which drives of the job count for its odds, and why one does not; nothing while there is only one that counts. */
export function DrivesUsed({ onLook }: { onLook: (traceId: string) => void }) {
  const { job, entries, traces, case: found } = useJob();
  const { drives } = found;
  const keep = useKeep();
  const { say } = useUnits();
  if (drives.length < 2 && drives.every((d) => d.counts)) return null;
  return (
    <section
      aria-labelledby="drives-title"
      className="mt-5 border-t border-base-content/30 pt-3"
      data-testid="drives-used"
    >
      <h2 id="drives-title" className="text-2xl type-sign">
        {drives.filter((d) => d.counts).length} of {drives.length} drives count
      </h2>
      <ul className="mt-1">
        {drives.map((drive) => {
          const trace = traces.find((t) => t.id === drive.traceId);
          const entry = entries.find((e) => e.id === drive.entryId);
          const leftOut = entry?.kind === 'drive' && entry.leftOut !== '';
          return (
            <li key={drive.entryId} className="flex items-center gap-4 border-b border-base-content/15 py-1">
              <button
                type="button"
                className="font-semibold underline underline-offset-4"
                onClick={() => onLook(drive.traceId)}
              >
                {trace?.fileName ?? 'a log that is gone'}
              </button>
              <span className="type-label">{format(drive.at, 'd MMM HH:mm')}</span>
              <span className="flex-1">{drive.counts ? 'counts' : say(drive.why)}</span>
              {(drive.counts || leftOut) && (
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() =>
                    keep(() => changeEntry(job.id, drive.entryId, { leftOut: leftOut ? '' : BY_HAND }), {
                      says: leftOut ? 'The drive counts again.' : 'The drive is left out.',
                      undo: undoEntries,
                    })
                  }
                >
                  {leftOut ? 'Count it' : 'Leave it out'}
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
