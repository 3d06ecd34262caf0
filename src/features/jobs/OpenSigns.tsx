'use client';

import { Link } from '@/ui/Link';
import { standingAt, stepsOf } from '@/core/procedure';
import { openSigns } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRun } from '@/job/useRun';

/** The signs of a job that lies open, on every screen of it: as they would hang on the steering wheel. */
export function OpenSigns() {
  const { job, vehicle, repair } = useJob();
  const { run, now, elapsed_s, running } = useRun('bleed');
  const procedure = repair?.bleed.procedure ?? null;
  const begun = running || elapsed_s > 0;
  const place = procedure && begun ? (standingAt(stepsOf(procedure), run, now)?.index ?? null) : null;
  const signs = openSigns(repair, vehicle.vehicle, place);
  if (signs.length === 0) return null;
  const noStart = signs.some((s) => s.noStart);
  return (
    <div
      role="status"
      aria-label="This job lies open"
      data-testid="open-signs"
      className={`flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-1.5 ${noStart ? 'bg-error text-error-content' : 'bg-warning text-warning-content'}`}
    >
      {noStart && <strong className="text-xl type-sign">Do not start</strong>}
      {signs.map((s) => (
        <span key={s.id} className="text-lg font-semibold">
          {s.says}
        </span>
      ))}
      <Link
        href={`/jobs/${job.id}/repair/strip`}
        className="ml-auto inline-flex min-h-11 items-center underline underline-offset-4 print:hidden"
      >
        to the repair
      </Link>
    </div>
  );
}
