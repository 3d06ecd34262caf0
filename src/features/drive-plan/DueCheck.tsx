'use client';

import { standingAnswer } from '@/core/case';
import { handChecks, type HandCheck, type PlanPrediction } from '@/core/planning';
import { nextDue } from '@/core/procedure';
import { AnswerItem } from '@/job/AnswerItem';
import { useJob } from '@/job/JobProvider';
import type { PlanRecord } from '@/storage/records';
import { clock } from '@/ui/clock';

/**
 * Observations of a drive that are evidence, in the order of their minutes: the same on paper, on the stopwatch and on
 * a live log. What needs the opening waits for its prediction, and is not asked where none is due.
 */
export const checksOf = (plan: PlanRecord, prediction: PlanPrediction | null): HandCheck[] =>
  handChecks(plan, prediction?.opening_s?.late ?? null);

/** What is to be felt or seen next on the drive, with its answers; nothing when all were given. */
export function DueCheck({
  checks,
  elapsed_s,
  large = false,
}: {
  checks: readonly HandCheck[];
  elapsed_s: number;
  large?: boolean;
}) {
  const { entries } = useJob();
  const next = nextDue(
    checks.filter((c) => standingAnswer(entries, c.itemId) === null),
    elapsed_s,
  );
  if (!next) return null;
  const { it: check, isDue } = next;
  return (
    <section aria-label="Next observation">
      <p className={`${large ? 'text-3xl' : 'text-xl'} type-sign ${isDue ? 'text-error' : ''}`} aria-live="polite">
        {isDue && elapsed_s >= check.at_s ? 'Now: ' : `At ${clock(check.at_s)}: `}
        {check.what}
      </p>
      <div className={large ? 'mt-3' : 'mt-2'}>
        <AnswerItem item={check.itemId} label={check.what} minute={elapsed_s / 60} large={large} />
      </div>
    </section>
  );
}
