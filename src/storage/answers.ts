import type { Result } from '@/core/base';
import { database } from './database';
import type { AnswerRecord } from './records';
import { kept, type StorageError } from './storageError';

function changeAnswers(
  jobId: string,
  change: (answers: readonly AnswerRecord[]) => readonly AnswerRecord[],
): Promise<Result<readonly AnswerRecord[], StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, async () => {
      const job = await db.jobs.get(jobId);
      const before = job?.answers ?? [];
      await db.jobs.update(jobId, { answers: change(before), updatedAt: Date.now() });
      return before;
    }),
  );
}

/** Gives an answer, replacing an earlier one to the same item; returns the answers before, for undo. */
export const giveAnswer = (
  jobId: string,
  answer: Pick<AnswerRecord, 'itemId' | 'answer'> & { readonly detail?: string },
) =>
  changeAnswers(jobId, (all) => [
    ...all.filter((a) => a.itemId !== answer.itemId),
    { itemId: answer.itemId, answer: answer.answer, detail: answer.detail ?? '', at: Date.now() },
  ]);

/** Takes an answer back; returns the answers before, for undo. */
export const takeAnswerBack = (jobId: string, itemId: string) =>
  changeAnswers(jobId, (all) => all.filter((a) => a.itemId !== itemId));

/** Puts earlier answers back. */
export const restoreAnswers = (jobId: string, answers: readonly AnswerRecord[]) => changeAnswers(jobId, () => answers);

/** Puts the answers that a set of readings gives in place of what those items said before. */
export const setDerivedAnswers = (
  jobId: string,
  itemIds: readonly string[],
  given: readonly (Pick<AnswerRecord, 'itemId' | 'answer'> & { readonly detail: string })[],
) =>
  changeAnswers(jobId, (all) => [
    ...all.filter((a) => !itemIds.includes(a.itemId)),
    ...given.map((a) => ({ ...a, at: Date.now() })),
  ]);
