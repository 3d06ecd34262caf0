'use client';

import { causeName } from '@/core/evidence';
import { percent } from '@/job/jobWords';
import { useJob } from '@/job/JobProvider';
import { Chronicle } from './Chronicle';
import { OddsOverTime } from './OddsOverTime';
import { WorkForm } from './WorkForm';

const NAMED = 5;

/** What is wrong now beside what was wrong at arrival, and whether the repairs can be told apart. */
function NowAndThen() {
  const { now, atArrival, separability } = useJob().case;
  if (separability === null) return null;
  const causes = [...new Set([...now.slice(0, NAMED), ...atArrival.slice(0, NAMED)].map((o) => o.cause))];
  const of = (odds: typeof now, cause: (typeof causes)[number]) =>
    odds.find((o) => o.cause === cause)?.probability ?? 0;
  return (
    <section aria-labelledby="then-title" data-testid="now-and-then">
      <h2 id="then-title" className="text-2xl type-sign">
        {separability.separable ? 'At arrival and now' : 'Not separable'}
      </h2>
      <p className="mt-1 max-w-3xl text-lg leading-snug" data-testid="separability">
        {separability.says}
      </p>
      <table className="mt-2 w-full max-w-2xl">
        <thead>
          <tr className="text-left">
            <th scope="col" className="font-semibold">
              Cause
            </th>
            <th scope="col" className="text-right font-semibold">
              At arrival
            </th>
            <th scope="col" className="text-right font-semibold">
              Now
            </th>
          </tr>
        </thead>
        <tbody>
          {causes.map((cause) => (
            <tr key={cause} className="border-t border-base-content/15">
              <th scope="row" className="py-0.5 text-left font-normal">
                {causeName(cause)}
              </th>
              <td className="text-right">{percent(of(atArrival, cause))}</td>
              <td className="text-right font-semibold">{percent(of(now, cause))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The case as a whole: how the odds came about, what was done, and every entry. */
export function CaseScreen() {
  return (
    <div className="space-y-7 px-5 pt-3 pb-16">
      <OddsOverTime />
      <NowAndThen />
      <WorkForm />
      <Chronicle />
    </div>
  );
}
