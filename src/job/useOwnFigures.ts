'use client';

import type { OwnFigures } from '@/core/case';
import { useWrite } from './useWrite';
import { changeFigures } from '@/storage/figures';

/** Changes the shop's own figures; says what it is told to, and offers the way back. @returns whether they are kept */
export function useOwnFigures() {
  const write = useWrite();
  return async (change: (own: OwnFigures) => OwnFigures, says?: string): Promise<boolean> => {
    const kept = await write(changeFigures(change), {
      ...(says === undefined ? {} : { says }),
      undo: (before) => changeFigures(() => before),
    });
    return kept !== null;
  };
}
