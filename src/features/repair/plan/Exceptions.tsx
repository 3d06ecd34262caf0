'use client';

import { addDays, format } from 'date-fns';
import { EXCEPTION_KINDS, EXCEPTIONS, type RepairException } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { TextField } from '@/ui/TextField';
import { changed, without } from '../lists';

/** A way outside the maker’s with what it risks, to be looked at again in its days. */
function newException(kind: RepairException['kind'], now_ms: number): RepairException {
  const { risk, conditions, reviewDays } = EXCEPTIONS[kind];
  const reviewOn = format(addDays(now_ms, reviewDays), 'yyyy-MM-dd');
  return { id: crypto.randomUUID(), kind, risk, conditions, reviewOn };
}

/** Ways outside the maker’s: allowed, and written down with risk, conditions and a day of review. */
export function Exceptions() {
  const { sheet, put } = useRepair();
  const { exceptions } = sheet.plan;
  const add = (kind: RepairException['kind']) =>
    put('plan', (now) => ({ exceptions: [...now.exceptions, newException(kind, Date.now())] }));
  const set = (id: string, to: Partial<RepairException>) =>
    put('plan', (now) => ({ exceptions: changed(now.exceptions, id, to) }));
  return (
    <section aria-labelledby="exceptions-title">
      <h2 id="exceptions-title" className="text-2xl type-sign">
        Outside the maker’s way
      </h2>
      <div className="mt-2 flex flex-wrap gap-2 print:hidden">
        {EXCEPTION_KINDS.filter((kind) => !exceptions.some((e) => e.kind === kind)).map((kind) => (
          <button key={kind} type="button" className="btn btn-outline" onClick={() => add(kind)}>
            {EXCEPTIONS[kind].says}
          </button>
        ))}
      </div>
      <ul data-testid="exceptions">
        {exceptions.map((e) => (
          <li key={e.id} className="mt-3 border-t border-base-content/20 pt-2">
            <p className="flex items-baseline gap-4">
              <strong className="text-lg">{EXCEPTIONS[e.kind].says}</strong>
              <button
                type="button"
                className="underline underline-offset-4 print:hidden"
                onClick={() =>
                  put('plan', (now) => ({ exceptions: without(now.exceptions, e.id) }), 'Taken off the plan.')
                }
              >
                take off
              </button>
            </p>
            <Cautions className="mt-1" of={EXCEPTIONS[e.kind].cautions} />
            <div className="mt-2 grid grid-cols-1 gap-3 sm:grid-cols-[1fr_1fr_11rem]">
              <TextField
                id={`risk-${e.id}`}
                label="Risk"
                most={2000}
                value={e.risk}
                onText={(risk) => set(e.id, { risk })}
              />
              <TextField
                id={`cond-${e.id}`}
                label="Conditions"
                most={2000}
                value={e.conditions}
                onText={(conditions) => set(e.id, { conditions })}
              />
              <TextField
                id={`review-${e.id}`}
                label="Looked at again on"
                type="date"
                value={e.reviewOn}
                onText={(reviewOn) => set(e.id, { reviewOn })}
              />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
