'use client';

import { Minus, Plus } from 'lucide-react';
import { COUNTED, type Counted, PLACE_CAUTIONS } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';

const NAME: Readonly<Record<Counted, string>> = { plugs: 'Plugs', rags: 'Rags', clamps: 'Clamps', tools: 'Tools' };

/** What goes in or onto the engine is counted, and must come out again. */
export function Counts() {
  const { sheet, put } = useRepair();
  const { counts } = sheet.strip;
  const count = (what: Counted, side: 'in' | 'out') =>
    put('strip', (now) => {
      const c = now.counts[what];
      if (side === 'out' && c.out >= c.in) return {};
      return { counts: { ...now.counts, [what]: { ...c, [side]: c[side] + 1 } } };
    });
  return (
    <section aria-labelledby="counts-title">
      <h2 id="counts-title" className="text-2xl type-sign">
        Counted in, counted out
      </h2>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.counts} />
      <ul className="mt-1" data-testid="counts">
        {COUNTED.map((what) => {
          const { in: put_in, out } = counts[what];
          const inside = put_in - out;
          return (
            <li key={what} className="flex flex-wrap items-center gap-3 border-t border-base-content/15 py-1.5">
              <span className="w-20 text-lg font-semibold">{NAME[what]}</span>
              <span
                className={`w-14 text-3xl type-sign ${inside > 0 ? 'text-error' : ''}`}
                data-testid={`inside-${what}`}
              >
                {inside}
              </span>
              <span className="flex-1 text-sm type-label">
                {put_in} in, {out} out
              </span>
              <button
                type="button"
                className="btn min-h-14 min-w-20 btn-outline"
                aria-label={`${NAME[what]} in`}
                onClick={() => count(what, 'in')}
              >
                <Plus aria-hidden className="size-5" /> in
              </button>
              <button
                type="button"
                className="btn min-h-14 min-w-20 btn-outline"
                aria-label={`${NAME[what]} out`}
                disabled={inside === 0}
                onClick={() => count(what, 'out')}
              >
                <Minus aria-hidden className="size-5" /> out
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
