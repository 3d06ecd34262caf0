'use client';

import type { OwnFigures } from '@/core/case';
import { useWrite } from './useWrite';
import { changeFigures } from '@/storage/figures';
import { judgeAllAgain } from '@/storage/traces';

/** What the judge itself works with: a change of it has every trace judged again. */
const OF_THE_JUDGE: readonly (keyof OwnFigures)[] = ['baseRates', 'monitors'];

/** Changes the shop's own figures; says what follows, and offers the way back. */
export function useOwnFigures() {
  const write = useWrite();
  return async (
    change: (own: OwnFigures) => OwnFigures,
    touched: readonly (keyof OwnFigures)[],
    says?: string,
  ): Promise<boolean> => {
    const rejudges = touched.some((t) => OF_THE_JUDGE.includes(t));
    const kept = await write(changeFigures(change), {
      ...(says === undefined ? {} : { says }),
      undo: async (before) => {
        const undone = await changeFigures(() => before);
        return undone.ok && rejudges ? judgeAllAgain() : undone;
      },
    });
    if (kept === null) return false;
    if (rejudges) await write(judgeAllAgain());
    return true;
  };
}
