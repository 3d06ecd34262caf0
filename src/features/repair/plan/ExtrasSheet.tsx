'use client';

import { pricesFor } from '@/core/case';
import { causeName } from '@/core/evidence';
import { extrasFor } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { useRepair } from '@/job/useRepair';
import { switched } from '../lists';
import { WideTable } from '@/ui/WideTable';

/** A share from which it is said that the credit cannot be parted. */
const CONFOUNDS_FROM = 0.1;

/** What could be done along while the system is open: its cost, and what it makes impossible to tell. */
export function ExtrasSheet() {
  const { vehicle, figures, case: found } = useJob();
  const { sheet, put } = useRepair();
  const { works, extras } = sheet.plan;
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  const offered = extrasFor(works, found.now, prices);
  const toggle = (id: string) => put('plan', (now) => ({ extras: switched(now.extras, id) }));
  return (
    <section aria-labelledby="extras-title">
      <h2 id="extras-title" className="text-2xl type-sign">
        While it is open
      </h2>
      <WideTable label="While it is open">
        <table
          className="mt-1 w-full [&_td]:border-t [&_td]:border-base-content/15 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left"
          data-testid="extras"
        >
          <thead className="text-base-content">
            <tr>
              <th>Along with it</th>
              <th className="text-right!">Costs</th>
              <th>What cannot be told afterwards</th>
            </tr>
          </thead>
          <tbody>
            {offered.map(({ extra, cost, shared, confounds }) => (
              <tr key={extra.id}>
                <td>
                  <label className="flex min-h-11 items-center gap-3">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={extras.includes(extra.id)}
                      onChange={() => toggle(extra.id)}
                    />
                    {extra.says}
                  </label>
                </td>
                <td className="text-right whitespace-nowrap tabular-nums">
                  {Math.round(cost)} {prices.currency}
                </td>
                <td className="leading-snug">
                  {works.length === 0 || confounds < CONFOUNDS_FROM
                    ? 'nothing to speak of'
                    : `which of the two cured it, with ${percent(confounds)}${shared.length > 0 ? `: ${shared.slice(0, 2).map(causeName).join(', ')}` : ''}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
    </section>
  );
}
