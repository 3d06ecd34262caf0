'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { BLEED_PROCEDURES, type Procedure } from '@/core/procedure';
import { useRepair } from '@/job/useRepair';
import { listProcedures } from '@/storage/procedures';
import { switched } from '../lists';

/** Which way to bleed, and what must be so before it begins. */
export function ProcedurePick({ locked }: { locked: boolean }) {
  const { sheet, put } = useRepair();
  const own = useLiveQuery(listProcedures, []) ?? [];
  const { procedure, conditions } = sheet.bleed;
  const offered = [...own.filter((p) => p.use === 'bleed'), ...BLEED_PROCEDURES];
  const choose = (id: string) => {
    const chosen = offered.find((p) => p.id === id) ?? null;
    put('bleed', { procedure: chosen, conditions: [] }, chosen ? `${chosen.name} chosen.` : 'None chosen.');
  };
  const listed = procedure && !offered.some((p) => p.id === procedure.id) ? [procedure, ...offered] : offered;
  const list = procedure && (
    <ul className="mt-1" data-testid="conditions">
      {procedure.conditions.map((c) => (
        <li key={c}>
          <label className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="checkbox"
              checked={conditions.includes(c)}
              onChange={() => put('bleed', (now) => ({ conditions: switched(now.conditions, c) }))}
            />
            {c}
          </label>
        </li>
      ))}
    </ul>
  );
  if (procedure && locked) {
    return (
      <details className="print:hidden">
        <summary className="min-h-11 cursor-pointer text-lg font-semibold">
          {procedure.name}: {conditions.length} of {procedure.conditions.length} conditions ticked. Begin anew to choose
          another.
        </summary>
        {list}
      </details>
    );
  }
  return (
    <section aria-labelledby="procedure-title" className="print:hidden">
      <h2 id="procedure-title" className="text-2xl type-sign">
        Procedure
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <select
          className="select min-h-12 w-full max-w-md text-lg"
          aria-label="Procedure"
          value={procedure?.id ?? ''}
          onChange={(e) => choose(e.target.value)}
        >
          <option value="">Choose how it is bled</option>
          {listed.map((p: Procedure) => (
            <option key={p.id} value={p.id}>
              {p.name}
              {p.variant === '' ? '' : `: ${p.variant}`}
            </option>
          ))}
        </select>
        <Link href="/procedures" className="tap underline underline-offset-4">
          Write your own
        </Link>
      </div>
      {procedure && (
        <>
          <p className="mt-1 text-sm">
            {procedure.source}
            {procedure.page === '' ? '' : `, page ${procedure.page}`}
          </p>
          {list}
        </>
      )}
    </section>
  );
}
