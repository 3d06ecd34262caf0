'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CaseOdds } from '@/core/diagnosis';
import { deleteJob, restoreJob, updateJob } from '@/storage/jobs';
import { JOB_STATES, type JobState } from '@/storage/records';
import { Glyph } from '@/ui/Glyph';
import { ShareStrip } from '@/ui/ShareStrip';
import { useToast } from '@/ui/Toasts';
import { Said, useUnits } from '@/ui/units';
import { FAMILY_LOOK, oddsShares } from './causeLook';
import { EvidencePanel } from './EvidencePanel';
import { GRADE_NAME, headline, movedText, STATE_NAME } from './jobWords';
import { saveJob } from './moveJob';
import { StageNav } from './StageNav';
import { useCase } from './useCase';

function Sign({ odds }: { odds: CaseOdds }) {
  const { text, percent, family } = headline(odds);
  const look = FAMILY_LOOK[family];
  return (
    <div className="flex items-center gap-4">
      {percent && <Glyph shape={look.shape} colour={look.colour} size={34} />}
      <p className="text-[2.75rem] type-sign" data-testid="headline">
        {text}
      </p>
      {percent && (
        <p className="text-[2.75rem] type-sign" data-testid="headline-percent">
          {percent}
        </p>
      )}
      <p className="text-base type-label">{percent ? GRADE_NAME[odds.grade] : null}</p>
    </div>
  );
}

function DoNext({ odds }: { odds: CaseOdds }) {
  const next = odds.next[0];
  const { say } = useUnits();
  return (
    <div className="min-w-0 flex-1 border-l-4 border-primary pl-4 lg:w-88 lg:flex-none">
      <p className="type-label">Do next{next ? `, about ${next.item.minutes} min` : ''}</p>
      <p className="line-clamp-2 leading-snug font-semibold" data-testid="do-next">
        {next ? say(next.item.ask) : 'Nothing left that would move the odds.'}
      </p>
    </div>
  );
}

function Missing() {
  return (
    <div className="mx-auto max-w-3xl px-5 py-16">
      <h1 className="text-4xl type-sign">This job is not here</h1>
      <p className="mt-4 text-lg">It was deleted, or it is kept in another browser.</p>
      <Link href="/" className="btn mt-6 btn-primary">
        All jobs
      </Link>
    </div>
  );
}

function StatePicker({ jobId, state, lookAgainOn }: { jobId: string; state: JobState; lookAgainOn: string }) {
  return (
    <div className="flex w-40 shrink-0 flex-col gap-1">
      <select
        aria-label="State of the job"
        className="select select-sm"
        value={state}
        onChange={(e) => void updateJob(jobId, { state: e.target.value as JobState })}
      >
        {JOB_STATES.map((s) => (
          <option key={s} value={s}>
            {STATE_NAME[s]}
          </option>
        ))}
      </select>
      {state === 'look-again' && (
        <input
          type="date"
          aria-label="Look again on"
          className="input input-sm"
          value={lookAgainOn}
          onChange={(e) => void updateJob(jobId, { lookAgainOn: e.target.value })}
        />
      )}
    </div>
  );
}

/** The frame of a job: what is most likely, how sure, what to do next, the odds and the evidence, always in sight. */
export function JobFrame({ jobId, children }: { jobId: string; children: ReactNode }) {
  const found = useCase(jobId);
  const toast = useToast();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useHotkeys('e', () => setOpen((was) => !was));
  if (found === undefined) return <p className="p-8 type-label">Loading</p>;
  if (found === null) return <Missing />;
  const { detail, odds } = found;
  const shown = odds.lines.findLast((l) => l.source !== 'raw signal' && l.id !== 'drive-visibility');
  const remove = async () => {
    const deleted = await deleteJob(jobId);
    if (!deleted.ok) return toast({ kind: 'error', text: deleted.error.message });
    router.push('/');
    toast({
      kind: 'info',
      text: `Job on ${detail.vehicle.plate} deleted.`,
      action: { label: 'Undo', run: () => void restoreJob(deleted.value) },
    });
  };
  return (
    <>
      <section aria-label="Where this job stands" className="border-b border-base-content/30 bg-base-100 print:hidden">
        <div className="flex flex-wrap items-start gap-x-6 gap-y-2 px-5 pt-3 lg:flex-nowrap">
          <div className="min-w-0 flex-1 basis-full lg:basis-0">
            <div className="flex items-baseline gap-3">
              <h1 className="text-lg font-bold whitespace-nowrap">
                <Link href={`/vehicles/${detail.vehicle.id}`} className="underline-offset-4 hover:underline">
                  {detail.vehicle.plate}
                </Link>
              </h1>
              <p className="truncate type-label">
                {detail.vehicle.vehicle.label}
                {detail.job.complaint && <>. &ldquo;{detail.job.complaint}&rdquo;</>}
              </p>
            </div>
            <div className="mt-1">
              <Sign odds={odds} />
            </div>
          </div>
          <DoNext odds={odds} />
          <StatePicker jobId={jobId} state={detail.job.state} lookAgainOn={detail.job.lookAgainOn} />
        </div>
        <div className="mt-1.5 px-5">
          <ShareStrip label="Odds" shares={oddsShares(odds.causes)} />
        </div>
        <StageNav jobId={jobId}>
          <p className="ml-4 flex min-w-0 flex-1 items-center text-sm" aria-live="polite" data-testid="latest-evidence">
            <span className="truncate">
              {shown ? (
                <>
                  Latest: <Said>{shown.seen}</Said>. <strong>{movedText(shown)}</strong>
                </>
              ) : (
                'No evidence yet'
              )}
            </span>
          </p>
          <button type="button" className="btn my-auto btn-sm" aria-expanded={open} onClick={() => setOpen(!open)}>
            Evidence {odds.lines.length}
          </button>
          <button type="button" className="btn my-auto btn-ghost btn-sm" onClick={() => void saveJob(jobId)}>
            Save job
          </button>
          <button type="button" className="btn my-auto btn-ghost btn-sm" onClick={() => void remove()}>
            Delete job
          </button>
        </StageNav>
        {open && <EvidencePanel job={detail.job} lines={odds.lines} />}
      </section>
      {children}
    </>
  );
}
