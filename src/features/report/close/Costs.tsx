'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { pricesFor } from '@/core/case';
import { costSheet } from '@/core/closing';
import { useJob } from '@/job/JobProvider';
import type { ClosingInHand } from '@/job/useClosing';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { CostTable } from '../CostTable';

/** Minutes taken, deposits, and costs beside. */
export function Costs({ inHand }: { inHand: ClosingInHand }) {
  const { vehicle, repair, figures } = useJob();
  const { sheet, begun, put: putRepair } = useRepair();
  const { closing, put } = inHand;
  const [what, setWhat] = useState('');
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  const cost = costSheet(repair, closing, { vehicle: vehicle.vehicle, prices });
  return (
    <section aria-labelledby="cost-title">
      <h2 id="cost-title" className="text-2xl type-sign">
        Cost
      </h2>
      <div className="[&_.num]:text-right [&_table]:my-2 [&_table]:w-full [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3 [&_th]:text-left [&_th]:font-semibold [&_tr]:border-b [&_tr]:border-base-content/15">
        <CostTable cost={cost} currency={prices.currency} />
      </div>
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        {begun && (
          <RangedInput
            id="minutes-taken"
            label="Minutes taken"
            family={null}
            unit="min"
            digits={0}
            value={sheet.plan.minutesTaken}
            low={0}
            high={100_000}
            onValue={(minutesTaken) => putRepair('plan', { minutesTaken })}
            onEmptied={() => putRepair('plan', { minutesTaken: null })}
          />
        )}
        <form
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (what.trim() === '') return;
            const line = { id: crypto.randomUUID(), what: what.trim(), amount: 0 };
            put((now) => ({ extraCosts: [...now.extraCosts, line] }));
            setWhat('');
          }}
        >
          <label className="block">
            <span className="block leading-tight font-semibold">Something beside</span>
            <input
              className="input mt-1 w-56 text-base"
              placeholder="fuel of the drives, cleaner, postage"
              maxLength={200}
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
          </label>
          <button type="submit" className="btn" disabled={what.trim() === ''}>
            Add
          </button>
        </form>
      </div>
      <ul className="mt-2 print:hidden">
        {closing.extraCosts.map((e) => (
          <li key={e.id} className="flex flex-wrap items-end gap-3 py-1">
            <RangedInput
              id={`extra-${e.id}`}
              label={e.what}
              family={null}
              unit={prices.currency}
              digits={2}
              value={e.amount}
              low={-1e6}
              high={1e6}
              onValue={(amount) =>
                put((now) => ({ extraCosts: now.extraCosts.map((x) => (x.id === e.id ? { ...x, amount } : x)) }))
              }
            />
            <button
              type="button"
              className="btn btn-square btn-ghost"
              aria-label={`Take off ${e.what}`}
              onClick={() =>
                put((now) => ({ extraCosts: now.extraCosts.filter((x) => x.id !== e.id) }), `${e.what} taken off.`)
              }
            >
              <Trash2 aria-hidden className="size-5" />
            </button>
          </li>
        ))}
        {sheet.plan.parts
          .filter((p) => (p.deposit ?? 0) > 0)
          .map((p) => (
            <li key={p.id}>
              <label className="flex min-h-11 items-center gap-3">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={p.depositBackAt !== null}
                  onChange={(e) => {
                    const depositBackAt = e.target.checked ? Date.now() : null;
                    putRepair('plan', (now) => ({
                      parts: now.parts.map((x) => (x.id === p.id ? { ...x, depositBackAt } : x)),
                    }));
                  }}
                />
                Old {p.name.toLowerCase()} sent back, deposit returned
              </label>
            </li>
          ))}
      </ul>
    </section>
  );
}
