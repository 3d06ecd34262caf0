'use client';

import { Cable, FileUp } from 'lucide-react';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { LoadedLink } from '@/ui/LoadedLink';
import { useOpenFiles } from '@/ui/openFiles';

/** What to log, while nothing is logged. */
export function NoTraceYet() {
  const { job } = useJob();
  const open = useOpenFiles();
  return (
    <div className="mx-auto max-w-2xl px-5 py-12">
      <h2 className="text-3xl type-sign">Log a warm-up, then drop it here</h2>
      <ul className="mt-4 list-disc space-y-1.5 pl-6 text-lg">
        <li>Start cold, after a night&rsquo;s stand. Log from key-on.</li>
        <li>Coolant temperature is enough; intake air, road speed and engine speed make it surer.</li>
        <li>Drive until the reading has held for five minutes, 20 minutes or more.</li>
      </ul>
      <Cautions className="mt-4" of={['driver-drives', 'suspect-car', 'stay-with-it']} />
      <button type="button" className="btn mt-6 btn-lg btn-primary" onClick={open}>
        <FileUp aria-hidden className="size-5" /> Open a log file
      </button>
      <LoadedLink href={`/jobs/${job.id}/drive/live`} className="btn mt-6 ml-3 btn-lg">
        <Cable aria-hidden className="size-5" /> Log live from an adapter
      </LoadedLink>
    </div>
  );
}
