'use client';

import { useState } from 'react';
import { CAUSES, perCause, type Cause } from '@/core/base';
import {
  buildCatalogue,
  CATALOGUE,
  catalogueItem,
  causeName,
  type ItemId,
  type Layout,
  type LikelihoodTable,
} from '@/core/evidence';
import type { OwnFigures } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { WideTable } from '@/ui/WideTable';
import { useUnits } from '@/ui/units';
import { useOwnFigures } from '@/job/useOwnFigures';

const ANY = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

/** The table that stands for an item: the shop's own, else the shipped one. */
function tableOf(own: OwnFigures['tables'], id: ItemId, layout: Layout): LikelihoodTable {
  const item = catalogueItem(id, buildCatalogue(own));
  const vehicle = { ...ANY, thermostat: { ...ANY.thermostat, location: layout } };
  return item.answers.map((a) => item.likelihood(a.key, vehicle));
}

const asText = (p: number): string => String(Number((100 * p).toFixed(2)));

/** How likely each answer to one item is under each cause: looked at, changed, put back. */
export function EvidenceEditor({ own }: { own: OwnFigures }) {
  const change = useOwnFigures();
  const { say } = useUnits();
  const [id, setId] = useState<ItemId>('soak-agreement');
  const [layout, setLayout] = useState<Layout>('outlet');
  const [draft, setDraft] = useState<readonly Record<Cause, string>[] | null>(null);
  const item = catalogueItem(id);
  const table = tableOf(own.tables, id, layout);
  const rows = draft ?? table.map((row) => perCause((c) => asText(row[c])));
  const isOwn = own.tables[id]?.[layout] !== undefined;
  const number = (text: string): number => Number(text.replace(',', '.')) / 100;
  const sums = perCause((c) => rows.reduce((sum, row) => sum + number(row[c]), 0));
  const wrong = CAUSES.filter(
    (c) => Math.abs(sums[c] - 1) > 5e-4 || rows.some((row) => !(number(row[c]) > 0 && number(row[c]) < 1)),
  );
  const type = (answer: number, cause: Cause, text: string) =>
    setDraft(
      rows.map((row, i) => {
        if (i === answer) return { ...row, [cause]: text };
        // Of two answers the other one takes the rest.
        return rows.length === 2 && Number.isFinite(number(text)) ? { ...row, [cause]: asText(1 - number(text)) } : row;
      }),
    );
  const choose = (next: ItemId, where: Layout) => {
    setId(next);
    setLayout(where);
    setDraft(null);
  };
  const keep = async () => {
    const kept = rows.map((row) => perCause((c) => number(row[c]) / sums[c]));
    const done = await change(
      (o) => ({ ...o, tables: { ...o.tables, [id]: { ...o.tables[id], [layout]: kept } } }),
      'The figures of this item are kept.',
    );
    if (done) setDraft(null);
  };
  const reset = () =>
    change((o) => {
      const { [id]: _gone, ...tables } = o.tables;
      return { ...o, tables };
    }, 'This item is as shipped again.').then(() => setDraft(null));
  return (
    <section aria-labelledby="evidence-title" id="evidence">
      <h2 id="evidence-title" className="text-2xl type-sign">
        Evidence
      </h2>
      <p className="mt-1 max-w-3xl text-sm">
        How many of a hundred cars with a cause give each answer. The ratio between causes is what moves the odds.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <select
          className="select w-[34rem] max-w-full"
          aria-label="Item of the evidence"
          value={id}
          onChange={(e) => choose(e.target.value as ItemId, layout)}
        >
          {CATALOGUE.map((i) => (
            <option key={i.id} value={i.id}>
              {say(i.ask)}
              {own.tables[i.id] ? ' (your own)' : ''}
            </option>
          ))}
        </select>
        <select
          className="select w-56"
          aria-label="Where the thermostat sits"
          value={layout}
          onChange={(e) => choose(id, e.target.value as Layout)}
        >
          <option value="outlet">thermostat at the outlet</option>
          <option value="inlet">thermostat at the inlet</option>
        </select>
      </div>
      <p className="mt-2 max-w-3xl text-sm leading-snug">{say(item.reason)}</p>
      <WideTable label="How often each answer comes with each cause">
        <table className="mt-2 w-full max-w-4xl" data-testid="evidence-editor">
          <thead>
            <tr className="text-right align-bottom">
              <th scope="col" className="text-left font-semibold">
                Cause
              </th>
              {item.answers.map((a) => (
                <th key={a.key} scope="col" className="w-36 pl-3 leading-tight font-semibold">
                  {say(a.says)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {CAUSES.map((cause) => (
              <tr key={cause} className="border-t border-base-content/15">
                <th scope="row" className="text-left font-normal">
                  {causeName(cause)}
                </th>
                {item.answers.map((a, i) => (
                  <td key={a.key} className="py-0.5 text-right">
                    <input
                      className={`input w-20 text-right input-sm ${wrong.includes(cause) ? 'input-error' : ''}`}
                      inputMode="decimal"
                      aria-label={`${causeName(cause)}: ${say(a.says)}, of a hundred`}
                      value={rows[i]![cause]}
                      onChange={(e) => type(i, cause, e.target.value)}
                    />{' '}
                    %
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
      {wrong.length > 0 && (
        <p role="alert" className="mt-1 text-error">
          {causeName(wrong[0]!)}: the answers must lie between 0 and 100 and make 100 together.
        </p>
      )}
      <div className="mt-2 flex gap-3">
        <button
          type="button"
          className="btn btn-primary"
          disabled={draft === null || wrong.length > 0}
          onClick={() => void keep()}
        >
          Keep these figures
        </button>
        {draft && (
          <button type="button" className="btn" onClick={() => setDraft(null)}>
            Leave it as it was
          </button>
        )}
        {isOwn && (
          <button type="button" className="btn" onClick={() => void reset()}>
            Back to the shipped ones
          </button>
        )}
      </div>
    </section>
  );
}
