import { Link } from '@/ui/Link';
import type { ReactNode } from 'react';
import { OpenJobButton } from './OpenJobButton';

/** What a fresh shop shows: how the work goes, and the ways to begin. */
export function EmptyShop({ demo }: { demo: ReactNode }) {
  return (
    <div className="mx-auto max-w-3xl px-5 py-16">
      <h1 className="text-5xl type-sign">No jobs yet</h1>
      <ol className="mt-6 list-decimal space-y-2 pl-6 text-lg">
        <li>Add the vehicle and the customer&rsquo;s words as a job.</li>
        <li>Log the coolant temperature on a warm-up drive, from cold until it has held for five minutes.</li>
        <li>Drop the log on the job. Varmek compares it with what a sound vehicle would have shown.</li>
      </ol>
      <p className="mt-6">
        Everything is kept in this browser, on this machine, and nowhere else. In a private window it is gone when the
        window is closed.
      </p>
      <div className="mt-8 flex flex-wrap items-center gap-4">
        <Link href="/jobs/new" className="btn btn-lg btn-primary">
          New job
        </Link>
        {demo}
        <OpenJobButton />
        <Link href="/keeping" className="btn btn-ghost">
          Restore a backup
        </Link>
      </div>
    </div>
  );
}
