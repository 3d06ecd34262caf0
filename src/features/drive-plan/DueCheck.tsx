'use client';

import { catalogueItem } from '@/core/diagnosis';
import { handChecks, planLength_s, type HandCheck } from '@/core/planning';
import { giveAnswer, takeAnswerBack } from '@/storage/answers';
import type { JobRecord, PlanRecord } from '@/storage/records';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { clock, dueCheck } from './stopwatch';

/** Observations of a drive that are evidence, in the order of their minutes. */
export const checksOf = (plan: PlanRecord): HandCheck[] => handChecks(plan, planLength_s(plan) / 2);

/** The answers to one observation; each is kept with the minute it was given at. */
export function CheckAnswers({
  job,
  check,
  elapsed_s,
  large = false,
}: {
  job: JobRecord;
  check: HandCheck;
  elapsed_s: number;
  large?: boolean;
}) {
  return (
    <AnswerButtons
      large={large}
      label={check.what}
      answers={catalogueItem(check.itemId).answers}
      chosen={job.answers.find((a) => a.itemId === check.itemId)?.answer ?? null}
      onChoose={(i) =>
        void (i === null
          ? takeAnswerBack(job.id, check.itemId)
          : giveAnswer(job.id, {
              itemId: check.itemId,
              answer: i,
              detail: `minute ${(elapsed_s / 60).toFixed(1)}`,
            }))
      }
    />
  );
}

/** What is to be felt or seen next on the drive, with its answers; nothing when all were given. */
export function DueCheck({
  job,
  plan,
  elapsed_s,
  large = false,
}: {
  job: JobRecord;
  plan: PlanRecord;
  elapsed_s: number;
  large?: boolean;
}) {
  const next = dueCheck(
    checksOf(plan).filter((c) => !job.answers.some((a) => a.itemId === c.itemId)),
    elapsed_s,
  );
  if (!next) return null;
  const { check, isDue } = next;
  return (
    <section aria-label="Next observation">
      <p className={`${large ? 'text-3xl' : 'text-xl'} type-sign ${isDue ? 'text-error' : ''}`} aria-live="polite">
        {isDue && elapsed_s >= check.at_s ? 'Now: ' : `At ${clock(check.at_s)}: `}
        {check.what}
      </p>
      <div className={large ? 'mt-3' : 'mt-2'}>
        <CheckAnswers job={job} check={check} elapsed_s={elapsed_s} large={large} />
      </div>
    </section>
  );
}
