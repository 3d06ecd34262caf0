'use client';

import type { WorkKind } from '@/core/case';
import type { Trend } from '@/core/history';
import { signed } from '@/ui/signed';
import { useUnits } from '@/ui/units';
import { driftTrends, type DriftPoint } from './drift';

const ROWS = [
  ['settled_c', 'Level it settles at'],
  ['opening_c', 'Opening'],
  ['sender_k', 'Sender against air, cold'],
] as const;

/** How level, opening and sender went over the years, or that it is too few to say. */
export function DriftTrends({
  points,
  works,
}: {
  points: readonly DriftPoint[];
  works: readonly { readonly work: WorkKind; readonly at: number }[];
}) {
  const { symbolOf } = useUnits();
  const factor = symbolOf('temperature') === '°F' ? 1.8 : 1;
  const unit = symbolOf('temperature') === '°F' ? '°F' : 'K';
  const trends = driftTrends(points, works);
  const says = (t: Trend): string => {
    if (t.kind === 'too-few') {
      return `${t.n} ${t.n === 1 ? 'reading' : 'readings'} since its part was renewed: too few to say`;
    }
    const by = `${signed(factor * t.perYear)} ± ${(factor * t.sd).toFixed(1)} ${unit} a year`;
    return `${t.kind === 'drifts' ? 'drifts' : 'steady'}, ${by} over ${t.years.toFixed(1)} years`;
  };
  return (
    <table className="mt-3 w-full" data-testid="drift-trends">
      <caption className="text-left type-label">Drift</caption>
      <tbody>
        {ROWS.map(([key, label]) => (
          <tr key={key} className="border-b border-base-content/15">
            <th scope="row" className="py-1 pr-4 text-left font-normal">
              {label}
            </th>
            <td className={trends[key].kind === 'drifts' ? 'font-bold' : ''}>{says(trends[key])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
