'use client';

import type { ReactNode } from 'react';
import { catalogueItem } from '@/core/diagnosis';
import { giveAnswer, takeAnswerBack } from '@/storage/answers';
import type { JobRecord } from '@/storage/records';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { useUnits } from '@/ui/units';

/** One check of the cold look: what to look at, why it matters, the answer, readings beside it, and what they mean. */
export function CheckRow({
  job,
  step,
  title,
  why,
  itemId = null,
  caution,
  result,
  children,
}: {
  job: JobRecord;
  step: number;
  title: string;
  why: string;
  /** Catalogue item that its buttons answer. */
  itemId?: string | null;
  caution?: string;
  result?: string | null;
  children?: ReactNode;
}) {
  const { say } = useUnits();
  const item = itemId === null ? null : catalogueItem(itemId);
  const chosen = job.answers.find((a) => a.itemId === itemId)?.answer ?? null;
  return (
    <li className="grid grid-cols-1 gap-x-8 gap-y-2 border-b border-base-content/20 py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
      <div>
        <h3 className="flex items-baseline gap-3 text-lg leading-tight font-bold">
          <span className="w-5 type-label">{step}</span> {title}
        </h3>
        <p className="mt-1 pl-8 text-sm leading-snug">{why}</p>
        {caution && <p className="mt-2 ml-8 border-l-4 border-warning pl-3 text-sm leading-snug">{caution}</p>}
      </div>
      <div>
        {item && (
          <AnswerButtons
            label={title}
            answers={item.answers}
            chosen={chosen}
            onChoose={(i) =>
              void (i === null ? takeAnswerBack(job.id, item.id) : giveAnswer(job.id, { itemId: item.id, answer: i }))
            }
          />
        )}
        {children && <div className="mt-2 flex flex-wrap gap-x-5 gap-y-1">{children}</div>}
        {result && (
          <p className="mt-1 font-semibold" aria-live="polite">
            {say(result)}
          </p>
        )}
      </div>
    </li>
  );
}
