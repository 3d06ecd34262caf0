'use client';

import { X } from 'lucide-react';
import type { CaseLine, DrivePart } from '@/core/case';
import { causeName } from '@/core/evidence';
import { takeBack, undoEntries } from '@/storage/entries';
import { Glyph } from '@/ui/Glyph';
import { useUnits } from '@/ui/units';
import { causeLook } from './causeLook';
import { movedText, percent } from './jobWords';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';

/** What the parts of a drive are, in the words of the trade. */
const PART_NAME: Readonly<Record<DrivePart['part'], string>> = {
  fit: 'Fit of the warm-up',
  signs: 'With its signs',
  learned: 'With what such drives turned out as',
};

/** A drive's one line, which opens into what it is made of. */
function DriveLine({ line }: { line: CaseLine }) {
  const { say } = useUnits();
  return (
    <details>
      <summary className="cursor-pointer">{say(line.seen)}</summary>
      <ul className="my-1 ml-4 space-y-1 text-sm">
        {line.parts.map(({ part, lines, leads }) => (
          <li key={part}>
            <strong>{PART_NAME[part]}:</strong> {causeName(leads.cause).toLowerCase()} {percent(leads.probability)}
            <ul className="ml-4 list-disc">
              {lines.map((l) => (
                <li key={l.id} title={say(l.reason)}>
                  {say(l.seen)}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      <p className="mb-1 ml-4 text-sm">{say(line.reason)}</p>
    </details>
  );
}

/** Every piece of evidence of the open job: what was seen, where, and how far it moved the odds; each can be taken back. */
export function EvidenceTable() {
  const { job, case: found } = useJob();
  const { lines, unknown } = found;
  const keep = useKeep();
  const { say } = useUnits();
  if (lines.length === 0 && unknown.length === 0) {
    return (
      <p className="border-t border-base-content/20 px-5 py-4">
        Nothing yet. What the customer says, the cold look and a logged drive each add a line here and move the odds.
      </p>
    );
  }
  return (
    <div
      className="max-h-80 overflow-y-auto border-t border-base-content/20 px-5 pt-1 pb-2"
      tabIndex={0}
      role="region"
      aria-label="All evidence"
    >
      <table className="w-full text-[0.9375rem]" data-testid="evidence">
        <caption className="sr-only">Evidence and how it moved the odds</caption>
        <thead>
          <tr className="text-left">
            <th scope="col" className="py-1 font-semibold">
              What was seen
            </th>
            <th scope="col" className="font-semibold">
              Where
            </th>
            <th scope="col" className="font-semibold">
              What it did to the odds
            </th>
            <th scope="col" className="w-11">
              <span className="sr-only">Take back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => {
            const look = causeLook(line.moved.cause);
            // A drive is left out on its own screen, where it can be counted again.
            const single = line.parts.length === 0 && lines.filter((l) => l.entryId === line.entryId).length === 1;
            return (
              <tr key={`${line.id} ${i}`} className="border-t border-base-content/15 align-top">
                <td className="py-1 pr-4" title={say(line.reason)}>
                  {line.parts.length > 0 ? <DriveLine line={line} /> : say(line.seen)}
                </td>
                <td className="py-1 pr-4 type-label whitespace-nowrap">{line.source}</td>
                <td className="py-1 pr-2">
                  <span className="flex items-center gap-2">
                    <Glyph shape={look.shape} colour={look.colour} size={12} />
                    {movedText(line)}
                  </span>
                </td>
                <td>
                  {single && (
                    <button
                      type="button"
                      className="btn btn-square btn-ghost btn-sm"
                      aria-label={`Take back: ${say(line.seen)}`}
                      onClick={() =>
                        keep(() => takeBack(job.id, line.entryId), {
                          says: `Taken back: ${say(line.seen)}.`,
                          undo: undoEntries,
                        })
                      }
                    >
                      <X aria-hidden className="size-4" />
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
          {unknown.map((entry) => (
            <tr key={entry.id} className="border-t border-base-content/15 type-label">
              <td className="py-1 pr-4">{entry.kind === 'unknown' ? `Not understood: ${entry.why}` : ''}</td>
              <td>kept as it came</td>
              <td>moves nothing</td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
