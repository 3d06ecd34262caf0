'use client';

import { Link } from '@/ui/Link';
import { useState } from 'react';
import { ACTIONS, type ActionCost } from '@/core/case';
import { percent } from '@/job/jobWords';
import { moneyText } from '@/job/money';
import { usePrices } from './usePrices';
import { WideTable } from '@/ui/WideTable';

const ACTIONS_SHOWN = 6;

/** Every choice with its expected cost, cheapest first. */
export function ActionTable({ actions }: { actions: readonly ActionCost[] }) {
  const { prices, estimated } = usePrices();
  const [all, setAll] = useState(false);
  const money = (amount: number) => moneyText(amount, prices);
  return (
    <section aria-labelledby="actions-title">
      <h2 id="actions-title" className="text-2xl type-sign">
        What each choice is expected to cost
      </h2>
      <WideTable label="What each choice is expected to cost">
        <table className="mt-2 w-full max-sm:text-sm max-sm:[&_td]:pl-1 max-sm:[&_th]:pl-1" data-testid="actions">
          <thead>
            <tr className="text-right">
              <th scope="col" className="text-left font-semibold">
                Choice
              </th>
              <th scope="col">All told</th>
              <th scope="col" className="font-normal">
                Parts
              </th>
              <th scope="col" className="font-normal">
                Labour
              </th>
              <th scope="col" className="font-normal">
                Comes back
              </th>
              <th scope="col" className="font-normal">
                Damage
              </th>
              <th scope="col" className="font-normal">
                Cured
              </th>
            </tr>
          </thead>
          <tbody>
            {actions.slice(0, all ? undefined : ACTIONS_SHOWN).map((a) => (
              <tr key={a.action} className="border-t border-base-content/15 text-right">
                <th scope="row" className="py-1 text-left font-normal">
                  {ACTIONS[a.action].says}
                </th>
                <td className="font-bold">{money(a.cost)}</td>
                <td>{money(a.parts)}</td>
                <td>{money(a.labour)}</td>
                <td>{money(a.comeBack)}</td>
                <td>{money(a.harm)}</td>
                <td>{percent(a.p_cured)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
      <p className="mt-1 flex gap-4 text-sm">
        {!all && actions.length > ACTIONS_SHOWN && (
          <button type="button" className="tap underline underline-offset-4" onClick={() => setAll(true)}>
            {actions.length - ACTIONS_SHOWN} more
          </button>
        )}
        <span>
          {estimated ? 'Prices are estimates for a car of this size. ' : ''}
          <Link href="/figures#prices" className="underline underline-offset-4">
            Your own prices
          </Link>
        </span>
      </p>
    </section>
  );
}
