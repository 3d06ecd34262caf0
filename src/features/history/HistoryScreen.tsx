'use client';

import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { WORK } from '@/core/case';
import { causeName } from '@/core/evidence';
import {
  partRecords,
  plannedAgainstTaken,
  reliabilityOf,
  suggestedRates,
  testRecords,
  type PastJob,
  type PlannedTaken,
  type Reliability,
} from '@/core/history';
import { causeLook } from '@/job/causeLook';
import { GRADE_NAME, percent } from '@/job/jobWords';
import { useFigures } from '@/job/useFigures';
import { isWhole, type PastJobs } from '@/job/countPastJobs';
import { usePastJobs } from '@/job/usePastJobs';
import { Glyph } from '@/ui/Glyph';
import { useUnits } from '@/ui/units';
import { BaseRates } from './BaseRates';
import { VehiclesDue } from './VehiclesDue';
import { countedText } from '@/job/countedText';
import { testName } from './words';

const ReliabilityPicture = dynamic(() => import('./ReliabilityPicture').then((m) => m.ReliabilityPicture), {
  ssr: false,
});
const TABLE =
  'mt-2 w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left [&_tbody_th]:font-normal [&_tr]:border-b [&_tr]:border-base-content/15';

/** How often the first finding was right: the number that matters, and the picture of it. */
function FirstFinding({ found }: { found: Reliability }) {
  const { all } = found;
  return (
    <section aria-labelledby="first-title">
      <h2 id="first-title" className="text-2xl type-sign">
        How often the first finding was right
      </h2>
      {all.few ? (
        <p className="mt-1 text-xl" data-testid="first-right">
          Too few to say: the truth of {all.n} {all.n === 1 ? 'job' : 'jobs'} is known. It is known where a repair was
          signed as proven.
        </p>
      ) : (
        <p className="mt-1" data-testid="first-right">
          <span className="text-5xl type-sign">{percent(all.share!)}</span>{' '}
          <span className="text-lg">
            {all.hits} of {all.n}; the true share lies between {percent(all.low)} and {percent(all.high)}
          </span>
        </p>
      )}
      <p className="type-label">
        {found.couldNotTell > 0 ? `${found.couldNotTell} more could not be told at first. ` : ''}
        {Object.entries(found.notCounted)
          .map(([why, n]) => `${n} not counted: ${why}`)
          .join('; ')}
      </p>
      <div className="mt-3 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-2">
        {!all.few && <ReliabilityPicture bins={found.bins} />}
        <div>
          <table className={TABLE} data-testid="by-grade">
            <thead className="text-base-content">
              <tr>
                <th scope="col">Grade</th>
                <th scope="col">Varmek said</th>
                <th scope="col">was right</th>
              </tr>
            </thead>
            <tbody>
              {found.byGrade.map((g) => (
                <tr key={g.grade}>
                  <th scope="row">{GRADE_NAME[g.grade]}</th>
                  <td>{g.claimed === null ? '' : percent(g.claimed)}</td>
                  <td>{countedText(g.right)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className={TABLE} data-testid="by-cause">
            <thead className="text-base-content">
              <tr>
                <th scope="col">First finding</th>
                <th scope="col">was right</th>
              </tr>
            </thead>
            <tbody>
              {found.byCause.map((c) => {
                const look = causeLook(c.cause);
                return (
                  <tr key={c.cause}>
                    <th scope="row">
                      <span className="flex items-center gap-2">
                        <Glyph shape={look.shape} colour={look.colour} size={12} /> {causeName(c.cause)}
                      </span>
                    </th>
                    <td>{countedText(c.right)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      </div>
    </section>
  );
}

function Parts({ jobs }: { jobs: readonly PastJob[] }) {
  const { showTemperature } = useUnits();
  const parts = partRecords(jobs);
  return (
    <section aria-labelledby="parts-title">
      <h2 id="parts-title" className="text-2xl type-sign">
        Parts that came back
      </h2>
      {parts.length === 0 ? (
        <p className="mt-1">No part with its source is written down yet: under Repair, Plan.</p>
      ) : (
        <table className={TABLE} data-testid="parts-back">
          <thead className="text-base-content">
            <tr>
              <th scope="col">Work</th>
              <th scope="col">Source</th>
              <th scope="col">Rated</th>
              <th scope="col">done again within two years</th>
            </tr>
          </thead>
          <tbody>
            {parts.map((p) => (
              <tr key={`${p.work} ${p.source} ${p.rated_c}`}>
                <th scope="row">{WORK[p.work].done}</th>
                <td>{p.source === null ? 'not said' : p.source === 'maker' ? 'maker’s' : 'other'}</td>
                <td>{p.rated_c === null ? '' : showTemperature(p.rated_c)}</td>
                <td>{countedText(p.cameBack)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="type-label">
        A run of failures points as much to wiring, earth or a warped housing as to the part.
      </p>
    </section>
  );
}

/** Planned against taken in a line. */
function Taken({ of, unit }: { of: PlannedTaken; unit: string }) {
  if (of.ratio === null) return <>none with both figures yet</>;
  const sums = `${Math.round(of.planned)} ${unit} planned, ${Math.round(of.taken)} taken`;
  return of.few ? (
    <>
      {sums}, {of.n} {of.n === 1 ? 'job' : 'jobs'}: too few to say
    </>
  ) : (
    <>
      <strong>{of.ratio.toFixed(2)} times</strong> the plan, half of {of.n} jobs below it; {sums}
    </>
  );
}

function PlannedTakenTable({ jobs, currency }: { jobs: readonly PastJob[]; currency: string }) {
  const found = plannedAgainstTaken(jobs);
  return (
    <section aria-labelledby="taken-title">
      <h2 id="taken-title" className="text-2xl type-sign">
        Planned against taken
      </h2>
      <table className={TABLE} data-testid="planned-taken">
        <tbody>
          <tr>
            <th scope="row">Minutes, all jobs</th>
            <td>
              <Taken of={found.minutes} unit="min" />
            </td>
          </tr>
          {found.byWork.map((w) => (
            <tr key={w.work}>
              <th scope="row">{WORK[w.work].done}</th>
              <td>
                <Taken of={w} unit="min" />
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row">Cost, all jobs</th>
            <td>
              <Taken of={found.cost} unit={currency} />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}

function Tests({ jobs }: { jobs: readonly PastJob[] }) {
  const { say } = useUnits();
  const tests = testRecords(jobs);
  return (
    <section aria-labelledby="tests-title">
      <h2 id="tests-title" className="text-2xl type-sign">
        How often a test changed the act
      </h2>
      {tests.length === 0 ? (
        <p className="mt-1">No test stands in the chronicle yet.</p>
      ) : (
        <table className={TABLE} data-testid="tests-changed">
          <tbody>
            {tests.map((t) => (
              <tr key={t.test}>
                <th scope="row">{say(testName(t.test))}</th>
                <td>{countedText(t.changed)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Jobs that could not be worked out, each with the way to it. */
function LeftOut({ unread }: Pick<PastJobs, 'unread'>) {
  if (unread.length === 0) return null;
  return (
    <div role="alert" className="mt-2 border-l-4 border-warning pl-3" data-testid="history-unread">
      <p className="font-semibold">
        {unread.length === 1 ? 'One job is' : `${unread.length} jobs are`} left out: what is kept cannot be worked out.
        All others count. A job that does not open either can be opened again from its saved file.
      </p>
      <ul>
        {unread.map(({ jobId, why }) => (
          <li key={jobId}>
            <Link href={`/jobs/${jobId}/case`} className="tap underline underline-offset-4">
              Open the job
            </Link>{' '}
            ({why})
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What all jobs together say: of the findings, the parts, the planning, the tests, the vehicles. */
export function HistoryScreen() {
  const count = usePastJobs();
  const { jobs, done, total, unread } = count;
  const shop = useFigures();
  const working = !isWhole(count);
  return (
    <div className="mx-auto max-w-6xl px-5 py-6">
      <h1 className="text-4xl type-sign">Over all jobs</h1>
      <p className="type-label" data-testid="history-count">
        {working
          ? total === null
            ? 'Counting the jobs'
            : `Going through ${total} jobs: ${done} done`
          : total === 0
            ? 'No job yet: what is signed and closed is counted here.'
            : `${jobs.length} ${jobs.length === 1 ? 'job' : 'jobs'}, from their chronicles`}
      </p>
      <LeftOut unread={unread} />
      {!working && total !== null && total > 0 && (
        <div className="mt-5 flex flex-col gap-9">
          <FirstFinding found={reliabilityOf(jobs)} />
          {shop && <BaseRates suggested={suggestedRates(jobs, shop.figures.baseRates)} />}
          <div className="grid grid-cols-1 gap-x-10 gap-y-9 lg:grid-cols-2">
            <Parts jobs={jobs} />
            <PlannedTakenTable jobs={jobs} currency={shop?.figures.ownPrices.currency ?? '€'} />
            <Tests jobs={jobs} />
            <VehiclesDue />
          </div>
        </div>
      )}
    </div>
  );
}
