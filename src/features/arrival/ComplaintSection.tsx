'use client';

import Link from 'next/link';
import { CATALOGUE, complaintConflicts } from '@/core/diagnosis';
import { giveAnswer, takeAnswerBack } from '@/storage/answers';
import { updateJob } from '@/storage/jobs';
import type { JobRecord } from '@/storage/records';
import { SavedText } from '@/ui/SavedText';

const STATEMENTS = CATALOGUE.filter((item) => item.stage === 'complaint');

/** The complaint as short plain statements, each a piece of evidence, with conditions and free words beside. */
export function ComplaintSection({ job }: { job: JobRecord }) {
  const given = job.answers.map((a) => a.itemId);
  const conflicts = complaintConflicts(given);
  const toggle = (itemId: string) =>
    void (given.includes(itemId) ? takeAnswerBack(job.id, itemId) : giveAnswer(job.id, { itemId, answer: 0 }));
  return (
    <section aria-labelledby="complaint-title">
      <h2 id="complaint-title" className="text-2xl type-sign">
        What the customer says
      </h2>
      <ul className="mt-2 grid grid-cols-1 gap-x-6 md:grid-cols-2">
        {STATEMENTS.map((item) => {
          const on = given.includes(item.id);
          return (
            <li key={item.id} className="border-b border-base-content/15">
              <button
                type="button"
                role="checkbox"
                aria-checked={on}
                title={item.reason}
                className={`flex min-h-12 w-full items-center gap-3 text-left leading-tight ${on ? 'font-bold' : ''}`}
                onClick={() => toggle(item.id)}
              >
                <span
                  aria-hidden
                  className={`grid size-6 shrink-0 place-items-center border-2 border-base-content text-lg leading-none ${on ? 'bg-base-content text-base-100' : ''}`}
                >
                  {on ? '✓' : ''}
                </span>
                {item.ask}
              </button>
            </li>
          );
        })}
      </ul>
      {conflicts.map((says) => (
        <p key={says} role="alert" className="mt-3 border-l-4 border-warning pl-3">
          {says}
        </p>
      ))}
      <div className="mt-4 grid grid-cols-1 gap-4 md:grid-cols-2">
        <SavedText
          id="complaint"
          label="In the customer’s words"
          value={job.complaint}
          rows={3}
          onSave={(complaint) => updateJob(job.id, { complaint })}
        />
        <SavedText
          id="conditions"
          label="When it happens"
          hint="Outside temperature, speed, load, heater, minutes from the start"
          value={job.conditions}
          rows={3}
          onSave={(conditions) => updateJob(job.id, { conditions })}
        />
      </div>
      <p className="mt-4 border-l-4 border-warning pl-3">If the screen cannot be cleared, do not drive.</p>
      <Link href={`/jobs/${job.id}/cold-look`} className="btn mt-5 btn-lg btn-primary">
        Go on to the cold look
      </Link>
    </section>
  );
}
