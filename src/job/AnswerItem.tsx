'use client';

import { standingAnswer } from '@/core/case';
import { catalogueItem, type ItemId } from '@/core/evidence';
import { giveAnswer, undoEntries, type NewEntry } from '@/storage/entries';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';

/** What an answer is kept as, by where its item belongs. */
function entryFor(item: ItemId, answer: string, minute: number | null): NewEntry<'statement' | 'check' | 'bench'> {
  const { stage } = catalogueItem(item);
  if (stage === 'complaint') return { kind: 'statement', item, answer };
  if (stage === 'bench') return { kind: 'bench', item, answer, part: 'old', text: '' };
  return { kind: 'check', item, answer, minute };
}

/** Answers an item of the catalogue where it stands: buttons, the chosen one again takes it back. */
export function AnswerItem({
  item,
  label,
  minute = null,
  large = false,
}: {
  item: ItemId;
  label?: string;
  /** Minute of the drive at which it is answered. */
  minute?: number | null;
  large?: boolean;
}) {
  const { job, entries } = useJob();
  const keep = useKeep();
  const { ask, answers } = catalogueItem(item);
  return (
    <AnswerButtons
      large={large}
      label={label ?? ask}
      answers={answers}
      chosen={standingAnswer(entries, item)?.answer ?? null}
      onChoose={(answer) => keep(() => giveAnswer(job.id, entryFor(item, answer, minute)), { undo: undoEntries })}
    />
  );
}
