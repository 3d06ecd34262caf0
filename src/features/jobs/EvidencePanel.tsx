'use client';

import { X } from 'lucide-react';
import { CAUSE_TEXT, type CaseLine } from '@/core/diagnosis';
import { restoreAnswers, takeAnswerBack } from '@/storage/answers';
import type { JobRecord } from '@/storage/records';
import { Glyph } from '@/ui/Glyph';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { FAMILY_LOOK } from './causeLook';
import { movedText } from './jobWords';

/** Every piece of evidence of a job: what was seen, where, and how far it moved the odds. Answers can be taken back. */
export function EvidencePanel({ job, lines }: { job: JobRecord; lines: readonly CaseLine[] }) {
  const toast = useToast();
  const { say } = useUnits();
  if (lines.length === 0) {
    return (
      <p className="border-t border-base-content/20 px-5 py-4">
        Nothing yet. What the customer says, the cold look and a logged drive each add a line here and move the odds.
      </p>
    );
  }
  const remove = async (line: CaseLine) => {
    const before = await takeAnswerBack(job.id, line.id);
    if (!before.ok) return toast({ kind: 'error', text: before.error.message });
    toast({
      kind: 'info',
      text: `Taken back: ${say(line.seen)}.`,
      action: { label: 'Undo', run: () => void restoreAnswers(job.id, before.value) },
    });
  };
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
          {lines.map((line) => {
            const look = FAMILY_LOOK[CAUSE_TEXT[line.moved.cause].family];
            const answer = job.answers.find((a) => a.itemId === line.id);
            return (
              <tr key={line.id} className="border-t border-base-content/15">
                <td className="py-1 pr-4" title={say(line.reason)}>
                  {say(line.seen)}
                  {answer?.detail && <span className="type-label"> ({answer.detail})</span>}
                </td>
                <td className="pr-4 type-label whitespace-nowrap">{line.source}</td>
                <td className="pr-2">
                  <span className="flex items-center gap-2">
                    <Glyph shape={look.shape} colour={look.colour} size={12} />
                    {movedText(line)}
                  </span>
                </td>
                <td>
                  {answer && (
                    <button
                      type="button"
                      className="btn btn-square btn-ghost btn-sm"
                      aria-label={`Take back: ${say(line.seen)}`}
                      onClick={() => void remove(line)}
                    >
                      <X aria-hidden className="size-4" />
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
