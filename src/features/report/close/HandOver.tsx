'use client';

import { Check } from 'lucide-react';
import { handOverSteps } from '@/core/closing';
import { useJob } from '@/job/JobProvider';
import type { ClosingInHand } from '@/job/useClosing';

/** What is gone through before the keys go back, for a gloved hand. */
export function HandOver({ inHand }: { inHand: ClosingInHand }) {
  const { vehicle, repair } = useJob();
  const { closing, put } = inHand;
  const tick = (id: string) =>
    put(({ done }) => {
      const { [id]: was, ...rest } = done;
      return { done: was === undefined ? { ...rest, [id]: Date.now() } : rest };
    });
  return (
    <section aria-labelledby="hand-over-title">
      <h2 id="hand-over-title" className="text-2xl type-sign">
        Hand over
      </h2>
      <ol data-testid="hand-over">
        {handOverSteps(vehicle.vehicle, repair).map(({ id, says }) => {
          const ticked = closing.done[id] !== undefined;
          return (
            <li key={id} className="border-t border-base-content/15">
              <button
                type="button"
                role="checkbox"
                aria-checked={ticked}
                className="flex min-h-12 w-full cursor-pointer items-center gap-4 text-left text-lg leading-snug hover:bg-base-200"
                onClick={() => tick(id)}
              >
                <span
                  aria-hidden
                  className={`flex size-8 shrink-0 items-center justify-center border-2 ${ticked ? 'border-success bg-success text-success-content' : 'border-base-content/60'}`}
                >
                  {ticked && <Check className="size-6" strokeWidth={3} />}
                </span>
                {says}
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
