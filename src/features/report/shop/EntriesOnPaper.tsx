'use client';

import { format } from 'date-fns';
import type { Entry } from '@/core/case';
import { causeName, sortedOdds } from '@/core/evidence';
import { causeLook } from '@/job/causeLook';
import { entryText, KIND_NAME } from '@/job/entryWords';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { useUnits } from '@/ui/units';
import { MOMENT } from './moment';

/** Causes named in the odds after an entry. */
const NAMED = 3;

/** Every entry with what it made of the odds. */
export function EntriesOnPaper() {
  const { entries, case: found, traces } = useJob();
  const { show, say } = useUnits();
  const nameOf = (id: string) => traces.find((t) => t.id === id)?.fileName ?? 'a log that is no longer here';
  const stepOf = new Map(found.steps.map((s) => [s.entryId, s]));
  return (
    <>
      <h2>Every entry, and the odds after it</h2>
      <table data-testid="paper-entries">
        <thead>
          <tr>
            <th>When</th>
            <th>What</th>
            <th>Odds after it</th>
            <th className="max-sm:hidden print:table-cell" />
          </tr>
        </thead>
        <tbody>
          {entries.map((e: Entry) => {
            const step = stepOf.get(e.id);
            const odds = step ? sortedOdds(step.now) : [];
            return (
              <tr key={e.id}>
                <td className="sm:whitespace-nowrap">{format(e.at, MOMENT)}</td>
                <td className={e.takenBack ? 'taken-back' : ''}>
                  <strong>{KIND_NAME[e.kind]}</strong> {say(entryText(e, show, nameOf))}
                  {e.takenBack ? ' (taken back)' : ''}
                </td>
                <td>
                  {odds
                    .slice(0, NAMED)
                    .filter((o) => o.probability >= 0.02)
                    .map((o) => `${causeName(o.cause)} ${percent(o.probability)}`)
                    .join(', ')}
                </td>
                <td className="max-sm:hidden print:table-cell">
                  {odds.length > 0 && (
                    <span className="strip">
                      {odds
                        .filter((o) => o.probability >= 0.01)
                        .map((o) => (
                          <span
                            key={o.cause}
                            style={{ width: `${100 * o.probability}%`, background: causeLook(o.cause).colour }}
                          />
                        ))}
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
