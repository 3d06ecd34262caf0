'use client';

import { formatDistanceToNow } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Plus, Search } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { FAMILY_LOOK } from '@/job/causeLook';
import { percent, STATE_NAME } from '@/job/jobWords';
import { useFreshSummaries } from '@/job/useFreshSummaries';
import { openSigns, type OpenSign, type RepairSheet } from '@/core/repair';
import { listJobs, type JobSummary } from '@/storage/jobs';
import { loadAgenda } from '@/storage/agenda';
import { openRepairs } from '@/storage/repairs';
import { JOB_STATES, type JobState } from '@/storage/records';
import { Glyph } from '@/ui/Glyph';
import { BackupDue } from './BackupDue';
import { useStaged } from '@/ui/useStaged';
import { DueDays } from './DueDays';
import { daysUntilLook, lookAgainText, matchesJob, orderJobs } from './jobOrder';
import { OpenJobButton } from './OpenJobButton';

function Verdict({ summary: row }: { summary: JobSummary }) {
  const { summary, traces, waiting } = row;
  // A trace that waits for the judge would change the odds: what is known without it is not shown as the verdict.
  if (traces > 0 && waiting > 0) return <span className="type-label">Not judged yet</span>;
  if (!summary) return <span className="type-label">Working it out</span>;
  if (summary.empty) return <span className="type-label">Nothing known yet</span>;
  const look = FAMILY_LOOK[summary.family];
  return (
    <span className="flex items-center gap-2">
      {summary.share !== null ? (
        <Glyph shape={look.shape} colour={look.colour} />
      ) : (
        <span aria-hidden className="w-4 text-center font-bold">
          ?
        </span>
      )}
      <span className="text-xl type-sign">{summary.text}</span>
      {summary.share !== null && <span className="text-xl type-sign whitespace-nowrap">{percent(summary.share)}</span>}
      {summary.expected && <span className="type-label">not proven</span>}
    </span>
  );
}

/** When a job is to be looked at again, or when it was last touched. */
function Due({ summary: { job }, now }: { summary: JobSummary; now: number }) {
  const due = lookAgainText(job, now);
  if (due === null)
    return <span className="type-label">{formatDistanceToNow(job.updatedAt, { addSuffix: true })}</span>;
  return <span className={daysUntilLook(job, now)! <= 0 ? 'font-bold text-error' : 'type-label'}>{due}</span>;
}

/** What hangs on the wheel of a job that lies open. */
const signsOf = ({ job, vehicle }: JobSummary, repairs: ReadonlyMap<string, RepairSheet> | undefined): OpenSign[] =>
  vehicle ? openSigns(repairs?.get(job.id) ?? null, vehicle.vehicle) : [];

/** Where a job is best taken up: its repair that lies open, its trace, its planned drive, or its arrival. */
function entrance(summary: JobSummary, liesOpen: boolean): string {
  const base = `/jobs/${summary.job.id}`;
  if (liesOpen) return `${base}/repair/strip`;
  if (summary.traces > 0) return base;
  return summary.job.plan ? `${base}/drive` : `${base}/arrival`;
}

/** Moves the focus between rows with the arrow keys. */
function moveFocus(event: KeyboardEvent<HTMLUListElement>): void {
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
  const links = [...event.currentTarget.querySelectorAll<HTMLAnchorElement>('a')];
  const at = links.indexOf(document.activeElement as HTMLAnchorElement);
  const next = links[at + (event.key === 'ArrowDown' ? 1 : -1)];
  if (next) {
    event.preventDefault();
    next.focus();
  }
}

/** Rows of the list that a screen shows at most. */
const FIRST_SCREENFUL = 24;

/** Every job, by state, with what is known of it. `empty` is shown when there is none. */
export function JobsScreen({ empty }: { empty: ReactNode }) {
  const jobs = useLiveQuery(listJobs, []);
  const repairs = useLiveQuery(openRepairs, []);
  const due = useLiveQuery(loadAgenda, []);
  useFreshSummaries(jobs);
  // The first screenful is there at once; the rest of hundreds follows in a task of its own.
  const isWhole = useStaged(jobs ? 1 : 0) > 0;
  const [now] = useState(() => Date.now());
  const [words, setWords] = useState('');
  const [state, setState] = useState<JobState | 'all'>('all');
  const search = useRef<HTMLInputElement>(null);
  const list = useRef<HTMLUListElement>(null);
  useHotkeys('slash', () => search.current?.focus(), { preventDefault: true });
  if (jobs === undefined) return <p className="p-8 type-label">Loading</p>;
  if (jobs.length === 0) return <>{empty}</>;
  const shown = orderJobs(
    jobs.filter((j) => matchesJob(j, words, state)),
    state,
    now,
  );
  const count = (s: JobState) => jobs.filter((j) => j.job.state === s).length;
  return (
    <div className="mx-auto max-w-6xl px-5 py-6">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="text-4xl type-sign">Jobs</h1>
        <label className="input w-72">
          <Search aria-hidden className="size-4" />
          <input
            ref={search}
            type="search"
            aria-label="Search jobs"
            placeholder="Vehicle or complaint"
            value={words}
            onChange={(e) => setWords(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'ArrowDown') {
                e.preventDefault();
                list.current?.querySelector('a')?.focus();
              }
            }}
          />
        </label>
        <div className="flex-1" />
        <OpenJobButton />
        <Link href="/jobs/new" className="btn btn-primary">
          <Plus aria-hidden className="size-5" /> New job
        </Link>
      </div>
      <BackupDue />
      <DueDays days={due ?? []} now={now} />
      <div
        role="group"
        aria-label="Filter by state"
        className="mt-5 flex flex-wrap gap-x-6 gap-y-1 border-b border-base-content/30"
      >
        {(['all', ...JOB_STATES] as const).map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={state === s}
            className={`-mb-px min-h-11 border-b-4 bay:min-w-11 ${state === s ? 'border-primary font-bold' : 'border-transparent'}`}
            onClick={() => setState(s)}
          >
            {s === 'all' ? 'All' : STATE_NAME[s]}{' '}
            <span className="type-label">{s === 'all' ? jobs.length : count(s)}</span>
          </button>
        ))}
      </div>
      {shown.length === 0 && <p className="py-10 text-lg">No job matches. Clear the search or choose another state.</p>}
      <ul ref={list} onKeyDown={moveFocus} aria-label="Jobs">
        {(isWhole ? shown : shown.slice(0, FIRST_SCREENFUL)).map((summary) => (
          <li key={summary.job.id} className="border-b border-base-content/15">
            <Link
              href={entrance(summary, signsOf(summary, repairs).length > 0)}
              className="grid min-h-19 grid-cols-[minmax(0,1.1fr)_minmax(0,1.7fr)_minmax(0,1.4fr)_7.5rem] items-center gap-x-6 py-2.5 hover:bg-base-200 max-sm:grid-cols-1 max-sm:gap-y-1"
            >
              <span>
                <span className="block text-xl type-sign wrap-anywhere">
                  {summary.vehicle?.plate ?? 'Vehicle missing'}
                </span>
                <span className="type-label">{summary.vehicle?.vehicle.label}</span>
              </span>
              <span className="text-[0.9375rem] leading-snug wrap-anywhere lg:line-clamp-2">
                {signsOf(summary, repairs).length > 0 && (
                  <strong className="text-error" data-testid="job-signs">
                    {signsOf(summary, repairs)
                      .map((s, i) => (i === 0 ? s.says : s.says.toLowerCase()))
                      .join(', ')}
                    .{' '}
                  </strong>
                )}
                {summary.job.complaint || 'No complaint written down'}
              </span>
              <Verdict summary={summary} />
              <span className="sm:text-right">
                <span className="block text-sm">{STATE_NAME[summary.job.state]}</span>
                <Due summary={summary} now={now} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
