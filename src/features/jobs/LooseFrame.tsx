'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { usePathname, useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useJob } from '@/job/JobProvider';
import { useWrite } from '@/job/useWrite';
import { attachBench, detachBench } from '@/storage/benches';
import { BIN_DAYS, putBackDeleted } from '@/storage/bin';
import { deleteJob, listJobs, changeJobText } from '@/storage/jobs';
import { SavedText } from '@/ui/SavedText';

/** The frame of a bench test that belongs to no job: its name, and the way into a job. */
export function LooseFrame({ children }: { children: ReactNode }) {
  const { job, entries } = useJob();
  const jobs = useLiveQuery(listJobs, []) ?? [];
  const write = useWrite();
  const router = useRouter();
  const desk = usePathname().split('/').at(-1) ?? 'sender';
  const [to, setTo] = useState('');
  const attach = async () => {
    const chosen = jobs.find((j) => j.job.id === to);
    const moved = await write(attachBench(job.id, to), {
      says: (attached) =>
        attached ? `Now in the job on ${chosen?.vehicle?.plate ?? 'that vehicle'}; its odds follow.` : null,
      undo: (attached) => detachBench(attached!),
    });
    if (moved) router.push(`/jobs/${to}/bench/${desk}`);
  };
  const remove = async () => {
    const deleted = await write(deleteJob(job.id), {
      says: `The bench test is in the bin for ${BIN_DAYS} days.`,
      undo: putBackDeleted,
    });
    if (deleted !== null) router.push('/bench');
  };
  return (
    <>
      <section aria-label="Bench test without a job" className="border-b border-base-content/30 px-5 py-3 print:hidden">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <div className="min-w-64 flex-1">
            <p className="type-label">
              <Link href="/bench" className="underline underline-offset-4">
                Bench
              </Link>
              , no job
            </p>
            <SavedText
              id="bench-name"
              label="Which part"
              value={job.complaint}
              rows={1}
              onSave={(to) => changeJobText(job.id, 'complaint', to)}
            />
          </div>
          <label className="block">
            <span className="block leading-tight font-semibold">Put it into a job</span>
            <select className="select mt-1 w-72 text-base" value={to} onChange={(e) => setTo(e.target.value)}>
              <option value="">Choose</option>
              {jobs.map(({ job: j, vehicle }) => (
                <option key={j.id} value={j.id}>
                  {vehicle?.plate ?? '?'}: {j.complaint.slice(0, 40)}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn btn-primary"
            disabled={to === '' || entries.length === 0}
            onClick={() => void attach()}
          >
            Put in
          </button>
          <button type="button" className="btn btn-ghost" onClick={() => void remove()}>
            Delete
          </button>
        </div>
      </section>
      {children}
    </>
  );
}
