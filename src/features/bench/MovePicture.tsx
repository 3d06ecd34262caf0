'use client';

import { sortedOdds } from '@/core/evidence';
import { oddsShares } from '@/job/causeLook';
import { movedText } from '@/job/jobWords';
import { useJob } from '@/job/JobProvider';
import { isLooseBench } from '@/storage/benches';
import { ShareStrip } from '@/ui/ShareStrip';

/** How one entry moved the odds: before it and after it, one strip over the other. */
export function MovePicture({ entryId }: { entryId: string | null }) {
  const { job, case: found } = useJob();
  const at = found.steps.findIndex((s) => s.entryId === entryId && s.entryId !== '');
  const step = found.steps[at];
  const before = found.steps[at - 1];
  const line = found.lines.findLast((l) => l.entryId === entryId);
  // Without a vehicle there are no odds to move.
  if (!step || !before || !line || isLooseBench(job)) return null;
  return (
    <section aria-label="How it moved the odds" className="mt-5" data-testid="bench-move">
      <h3 className="text-xl type-sign">How it moved the odds</h3>
      <p className="mb-1 font-semibold">{movedText(line)}</p>
      {(
        [
          ['before', before.now],
          ['after', step.now],
        ] as const
      ).map(([name, odds]) => (
        <div key={name} className="flex items-center gap-3">
          <span className="w-12 text-right type-label">{name}</span>
          <div className="min-w-0 flex-1">
            <ShareStrip label={`Odds ${name}`} shares={oddsShares(sortedOdds(odds))} />
          </div>
        </div>
      ))}
    </section>
  );
}
