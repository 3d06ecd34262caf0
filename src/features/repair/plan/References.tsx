'use client';

import { Trash2 } from 'lucide-react';
import type { ReferenceLine } from '@/core/repair';
import { useRepair } from '@/job/useRepair';
import { TextField } from '@/ui/TextField';
import { changed, without } from '../lists';

/** Figures from the maker’s papers, each with source and page: Varmek fills in none of them. */
export function References() {
  const { sheet, put } = useRepair();
  const { references } = sheet.plan;
  const set = (id: string, to: Partial<ReferenceLine>) =>
    put('plan', (now) => ({ references: changed(now.references, id, to) }));
  const add = () =>
    put('plan', (now) => ({
      references: [...now.references, { id: crypto.randomUUID(), what: '', value: '', source: '', page: '' }],
    }));
  return (
    <section aria-labelledby="refs-title">
      <h2 id="refs-title" className="text-2xl type-sign">
        From the maker’s papers
      </h2>
      {references.length === 0 && (
        <p className="mt-1 text-sm">
          Capacity, marks, torque values, bleed schedule: with source and page. Varmek ships none of them.
        </p>
      )}
      <ul className="mt-1" data-testid="references">
        {references.map((r) => (
          <li key={r.id} className="flex flex-wrap items-end gap-3 py-1">
            {(
              [
                ['what', 'What', 'w-52'],
                ['value', 'Value', 'w-36'],
                ['source', 'Source', 'min-w-40 flex-1'],
                ['page', 'Page', 'w-20'],
              ] as const
            ).map(([key, label, width]) => (
              <TextField
                key={key}
                id={`${key}-${r.id}`}
                label={label}
                className={width}
                value={r[key]}
                onText={(text) => set(r.id, { [key]: text })}
              />
            ))}
            <button
              type="button"
              className="btn btn-square btn-ghost print:hidden"
              aria-label={`Remove ${r.what || 'this line'}`}
              onClick={() => put('plan', (now) => ({ references: without(now.references, r.id) }), 'Line removed.')}
            >
              <Trash2 aria-hidden className="size-5" />
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn mt-1 print:hidden" onClick={add}>
        Add a line
      </button>
    </section>
  );
}
