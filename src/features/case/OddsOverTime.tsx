'use client';

import { format } from 'date-fns';
import dynamic from 'next/dynamic';
import { useState, type KeyboardEvent } from 'react';
import { causeName, sortedOdds } from '@/core/evidence';
import { causeLook } from '@/job/causeLook';
import { percent } from '@/job/jobWords';
import { useJob } from '@/job/JobProvider';
import { Glyph } from '@/ui/Glyph';
import { useElementWidth } from '@/ui/useElementWidth';
import { useUnits } from '@/ui/units';

const OddsChart = dynamic(() => import('./OddsChart').then((m) => m.OddsChart), { ssr: false });

/** Causes named beside the picture. */
const NAMED = 5;

/** How each entry moved the odds, from arrival to now; pick a point to see its entry. */
export function OddsOverTime() {
  const { steps } = useJob().case;
  const { say } = useUnits();
  const [attach, width] = useElementWidth();
  const [picked, setPicked] = useState<number | null>(null);
  const chosen = Math.min(picked ?? steps.length - 1, steps.length - 1);
  const step = steps[chosen]!;
  const before = steps[chosen - 1];
  const move = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    setPicked(Math.min(steps.length - 1, Math.max(0, chosen + by)));
  };
  const changed = sortedOdds(step.now)
    .map((o) => ({ ...o, by: o.probability - (before?.now[o.cause] ?? o.probability) }))
    .slice(0, NAMED);
  return (
    <section
      aria-labelledby="odds-time"
      className="grid grid-cols-1 gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,1fr)_21rem]"
    >
      <div>
        <h2 id="odds-time" className="text-2xl type-sign">
          How the odds came about
        </h2>
        <div
          ref={attach}
          role="slider"
          tabIndex={0}
          aria-label="Entry whose odds are shown"
          aria-valuemin={0}
          aria-valuemax={steps.length - 1}
          aria-valuenow={chosen}
          aria-valuetext={say(step.says)}
          className="mt-1"
          style={{ minHeight: 250 }}
          onKeyDown={move}
          data-testid="odds-over-time"
        >
          {width > 0 && <OddsChart steps={steps} width={width} chosen={chosen} onChoose={setPicked} />}
        </div>
        <p className="type-label">Each column is one entry; click one, or use the arrow keys.</p>
      </div>
      <div aria-live="polite" data-testid="picked-step">
        <p className="type-label">
          {chosen === 0 ? 'Before any entry: the base rates' : format(step.at, 'd MMM yyyy, HH:mm')}
        </p>
        <p className="text-lg leading-snug font-semibold">{say(step.says)}</p>
        <table className="mt-2 w-full">
          <caption className="sr-only">Odds after this entry</caption>
          <tbody>
            {changed.map(({ cause, probability, by }) => {
              const look = causeLook(cause);
              return (
                <tr key={cause} className="border-t border-base-content/15">
                  <th scope="row" className="py-1 text-left font-normal">
                    <span className="flex items-center gap-2">
                      <Glyph shape={look.shape} colour={look.colour} size={12} /> {causeName(cause)}
                    </span>
                  </th>
                  <td className="text-right font-semibold">{percent(probability)}</td>
                  <td className="w-16 text-right type-label">
                    {Math.abs(by) < 0.005 ? '' : `${by > 0 ? '+' : '−'}${Math.round(100 * Math.abs(by))}`}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
