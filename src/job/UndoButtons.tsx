'use client';

import { Redo2, Undo2 } from 'lucide-react';
import { useUndoKeys } from './useUndo';

/** Undo and redo of what was changed here, today or before a reload, with their keys. */
export function UndoButtons({ scope }: { scope: string }) {
  const { undoes, redoes, undo, redo } = useUndoKeys(scope);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost"
        disabled={undoes === null}
        title={undoes === null ? 'Nothing to undo' : `Undo: ${undoes} (Ctrl Z)`}
        onClick={undo}
      >
        <Undo2 aria-hidden className="size-5" /> Undo
      </button>
      <button
        type="button"
        className="btn btn-ghost"
        disabled={redoes === null}
        title={redoes === null ? 'Nothing to do again' : `Do again: ${redoes} (Ctrl Shift Z)`}
        onClick={redo}
      >
        <Redo2 aria-hidden className="size-5" /> Redo
      </button>
    </>
  );
}
