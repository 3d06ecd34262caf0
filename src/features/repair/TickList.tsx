'use client';

import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import type { TickStep } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useUnits } from '@/ui/units';

/** Ticks with one more, or one less. */
export function toggled(done: Readonly<Record<string, number>>, id: string, now: number): Record<string, number> {
  const { [id]: was, ...rest } = done;
  return was === undefined ? { ...rest, [id]: now } : rest;
}

/** Steps to tick in their order, each with its cautions, for a gloved hand. */
export function TickList({
  steps,
  done,
  testId,
  extra,
  onTick,
}: {
  steps: readonly TickStep[];
  done: Readonly<Record<string, number>>;
  testId: string;
  /** What stands beneath one of them. */
  extra?: (id: string) => ReactNode;
  onTick: (id: string) => void;
}) {
  const { say } = useUnits();
  return (
    <ol data-testid={testId}>
      {steps.map((step) => {
        const ticked = done[step.id] !== undefined;
        return (
          <li key={step.id} className="border-t border-base-content/15 py-1" data-step={step.id}>
            <button
              type="button"
              role="checkbox"
              aria-checked={ticked}
              className="flex min-h-14 w-full cursor-pointer items-center gap-4 text-left text-lg leading-snug hover:bg-base-200"
              onClick={() => onTick(step.id)}
            >
              <span
                aria-hidden
                className={`flex size-9 shrink-0 items-center justify-center border-2 ${ticked ? 'border-success bg-success text-success-content' : 'border-base-content/60'}`}
              >
                {ticked && <Check className="size-7" strokeWidth={3} />}
              </span>
              <span className={ticked ? 'text-base-content/75' : 'font-semibold'}>{say(step.says)}</span>
            </button>
            <Cautions className="mb-1 ml-13" of={step.cautions} />
            {extra && <div className="ml-13">{extra(step.id)}</div>}
          </li>
        );
      })}
    </ol>
  );
}
