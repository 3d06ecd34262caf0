'use client';

import { Link } from '@/ui/Link';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { SINCE_REPAIR } from '@/core/case';
import type { Headline } from '@/core/evidence';
import { causeName } from '@/core/evidence';
import { AnswerItem } from '@/job/AnswerItem';
import { expectedOnly } from '@/job/caseOfJob';
import { FAMILY_LOOK, oddsShares } from '@/job/causeLook';
import { EvidenceTable } from '@/job/EvidenceTable';
import { useJob } from '@/job/JobProvider';
import { becameText, GRADE_NAME, percent, STATE_NAME } from '@/job/jobWords';
import { useKeep } from '@/job/useKeep';
import { isLooseBench } from '@/storage/benches';
import { giveAnswer, undoEntries } from '@/storage/entries';
import { setStanding } from '@/storage/jobs';
import { standingOf } from '@/storage/jobStanding';
import { JOB_STATES, type JobState } from '@/storage/records';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { Glyph } from '@/ui/Glyph';
import { ShareStrip } from '@/ui/ShareStrip';
import { Said, useUnits } from '@/ui/units';
import { JobMenu } from './JobMenu';
import { LooseFrame } from './LooseFrame';
import { OpenSigns } from './OpenSigns';
import { StageNav } from './StageNav';

/** The parts of a headline that sums several causes. */
function Parts({ headline }: { headline: Headline }) {
  const parts = headline.parts.filter((p) => p.probability >= 0.01);
  if (headline.share === null || parts.length < 2) return null;
  return (
    <p className="type-label max-sm:hidden" data-testid="headline-parts">
      {parts.map((p) => `${causeName(p.cause).replace('Thermostat ', '')} ${percent(p.probability)}`).join(', ')}
    </p>
  );
}

function Sign() {
  const found = useJob().case;
  const { headline } = found;
  const look = FAMILY_LOOK[headline.family];
  const size = headline.text.length > 30 ? 'text-[1.9rem] max-sm:text-2xl' : 'text-[2.75rem] max-sm:text-[2rem]';
  return (
    <div>
      <div className="flex items-center gap-x-4 gap-y-1 max-sm:flex-wrap max-sm:gap-x-3">
        {headline.share !== null && <Glyph shape={look.shape} colour={look.colour} size={34} />}
        <p className={`${size} type-sign leading-none max-sm:max-w-[calc(100%-3rem)]`} data-testid="headline">
          {headline.text}
        </p>
        {headline.share !== null && (
          <p
            className="text-[2.75rem] type-sign leading-none whitespace-nowrap max-sm:text-[2rem]"
            data-testid="headline-percent"
          >
            {percent(headline.share)}
          </p>
        )}
        <p className="text-base type-label whitespace-nowrap">
          {headline.share === null
            ? null
            : expectedOnly(found)
              ? 'expected after the work, not proven'
              : GRADE_NAME[headline.grade]}
        </p>
      </div>
      <Parts headline={headline} />
    </div>
  );
}

/** Share from which the remedy stands beside the headline. */
const THEN_FROM = 0.8;

/** After work a fault shows: whether it is new says more than any test, and takes no time. */
function SinceRepair() {
  const { job } = useJob();
  const keep = useKeep();
  const answer = (given: string) =>
    keep(() => giveAnswer(job.id, { kind: 'check', item: SINCE_REPAIR.item, answer: given, minute: null }), {
      undo: undoEntries,
    });
  return (
    <div
      className="min-w-0 flex-1 border-l-4 border-primary pl-4 max-sm:basis-full lg:w-88 lg:flex-none"
      data-testid="since-repair"
    >
      <p className="type-label" title={SINCE_REPAIR.reason}>
        Do next
      </p>
      <p className="mb-1 leading-snug font-semibold">{SINCE_REPAIR.ask}</p>
      <AnswerButtons label={SINCE_REPAIR.ask} answers={SINCE_REPAIR.answers} chosen={null} onChoose={answer} />
    </div>
  );
}

function DoNext() {
  const { next, headline, unproven, askSince } = useJob().case;
  const [first] = next;
  const { say } = useUnits();
  const [open, setOpen] = useState(false);
  if (askSince) return <SinceRepair />;
  return (
    <div className="min-w-0 flex-1 border-l-4 border-primary pl-4 max-sm:basis-full lg:w-88 lg:flex-none">
      <p className="flex items-baseline gap-2 type-label">
        Do next{first ? `, about ${first.item.minutes} min` : ''}
        {first && (
          <button
            type="button"
            className="tap font-semibold underline underline-offset-4"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            answer it
          </button>
        )}
      </p>
      <p className="leading-snug font-semibold lg:line-clamp-2" data-testid="do-next">
        {first ? say(first.item.ask) : 'Nothing left that would move the odds.'}
      </p>
      {first && open && (
        <div className="mt-1">
          <AnswerItem item={first.item.id} />
        </div>
      )}
      {headline.share !== null && headline.share >= THEN_FROM && !unproven && (
        <p className="text-sm leading-snug" data-testid="then">
          If it is this: {headline.then}
        </p>
      )}
    </div>
  );
}

function StatePicker() {
  const { job } = useJob();
  const keep = useKeep();
  const change = (state: JobState) =>
    keep(() => setStanding(job.id, standingOf(state, null, Date.now())), {
      // Only the day is lost by another state.
      says: (before) => (before?.state === 'look-again' ? 'The day to look again was taken off.' : null),
      undo: (before) => setStanding(job.id, before!),
    });
  return (
    <div className="flex w-40 shrink-0 flex-col gap-1 max-sm:w-full">
      <select
        aria-label="State of the job"
        className="select select-sm"
        value={job.state}
        onChange={(e) => change(e.target.value as JobState)}
      >
        {JOB_STATES.map((s) => (
          <option key={s} value={s}>
            {STATE_NAME[s]}
          </option>
        ))}
      </select>
      {job.state === 'look-again' && (
        <input
          type="date"
          aria-label="Look again on"
          className="input input-sm"
          value={job.lookAgainOn}
          required
          onChange={(e) => {
            const { value } = e.target;
            if (value !== '') keep(() => setStanding(job.id, standingOf('look-again', value, Date.now())));
          }}
        />
      )}
    </div>
  );
}

/** The frame of a job, or of a bench test that belongs to none. */
export function JobFrame({ children }: { children: ReactNode }) {
  return isLooseBench(useJob().job) ? <LooseFrame>{children}</LooseFrame> : <WholeFrame>{children}</WholeFrame>;
}

/** The frame of a job: what is most likely, how sure, what to do next, the odds and the evidence, always in sight. */
function WholeFrame({ children }: { children: ReactNode }) {
  const { job, vehicle, case: found } = useJob();
  const [open, setOpen] = useState(false);
  useHotkeys('e', () => setOpen((was) => !was));
  useHotkeys('escape', () => setOpen(false));
  const shown = found.lines.at(-1);
  return (
    <>
      <section aria-label="Where this job stands" className="border-b border-base-content/30 bg-base-100 print:hidden">
        <div className="flex flex-wrap items-start gap-x-6 gap-y-2 px-3 pt-3 sm:px-5 lg:flex-nowrap">
          <div className="min-w-0 flex-1 basis-full lg:basis-0">
            <div className="flex flex-wrap items-baseline gap-x-3 lg:flex-nowrap">
              <h1
                className="max-w-full text-lg font-bold wrap-anywhere lg:max-w-1/2 lg:shrink-0 lg:truncate"
                title={vehicle.plate}
              >
                <Link href={`/vehicles/${vehicle.id}`} className="tap underline-offset-4 hover:underline">
                  {vehicle.plate}
                </Link>
              </h1>
              <p className="type-label wrap-anywhere lg:truncate">
                {vehicle.vehicle.label}
                {job.complaint && <>. &ldquo;{job.complaint}&rdquo;</>}
              </p>
            </div>
            <div className="mt-1">
              <Sign />
            </div>
          </div>
          <DoNext />
          <StatePicker />
        </div>
        <div className="mt-1.5 px-3 sm:px-5">
          <ShareStrip label="Odds" shares={oddsShares(found.now)} />
        </div>
        <StageNav jobId={job.id}>
          <p
            className="flex min-w-0 flex-1 items-center text-sm max-lg:order-last max-lg:basis-full max-lg:pb-2 lg:ml-4"
            aria-live="polite"
            data-testid="latest-evidence"
          >
            <span className="lg:truncate">
              {shown ? (
                <>
                  Latest: <Said>{shown.seen.replace(/\.$/, '')}</Said>. <strong>{becameText(shown)}</strong>
                </>
              ) : (
                'No evidence yet'
              )}
            </span>
          </p>
          <button type="button" className="btn my-auto btn-sm" aria-expanded={open} onClick={() => setOpen(!open)}>
            Evidence {found.lines.length}
          </button>
          <JobMenu />
        </StageNav>
        {open && <EvidenceTable />}
      </section>
      <OpenSigns />
      {children}
    </>
  );
}
