'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { Result } from '@/core/base';
import type { Procedure } from '@/core/procedure';
import { useUndo } from '@/job/useUndo';
import { useWrite } from '@/job/useWrite';
import { procedureScope } from '@/storage/journal/journalMiddleware';
import { loadDraft, putProcedure } from '@/storage/procedures';

/** A procedure being written: kept at every change, with undo and redo, after a reload too. */
export interface ProcedureDraft {
  /** Undefined while it is read; null where there is none. */
  readonly draft: Result<Procedure, string> | null | undefined;
  readonly change: (to: (procedure: Procedure) => Procedure) => void;
  /** Whether the store has what is on the screen. */
  readonly kept: 'kept' | 'keeping' | 'not kept';
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

/** The last change and whether the store has it. */
interface Written {
  readonly last: Procedure | null;
  readonly kept: ProcedureDraft['kept'];
}

/** Follows a procedure of the shop while it is written. */
export function useProcedureDraft(id: string): ProcedureDraft {
  const write = useWrite();
  const stored = useLiveQuery(() => loadDraft(id), [id]);
  // What is written here goes before what is read back: a keystroke must not wait for the store.
  const [own, setOwn] = useState<Procedure | null>(null);
  const now = own ?? (stored?.ok ? stored.value : null);
  const [written, setWritten] = useState<Written>({ last: null, kept: 'kept' });
  const put = (next: Procedure) => {
    setOwn(next);
    setWritten({ last: next, kept: 'keeping' });
    void write(putProcedure(next)).then((stored) => {
      // Only the last change counts: those before it are in it.
      setWritten((w) => (w.last === next ? { ...w, kept: stored === null ? 'not kept' : 'kept' } : w));
    });
  };
  const change: ProcedureDraft['change'] = (to) => {
    if (!now) return;
    put(to(now));
  };
  // The store has what an undo brings back.
  const steps = useUndo(procedureScope(id), () => setOwn(null));
  return {
    draft: own ? { ok: true, value: own } : stored,
    change,
    kept: written.kept,
    undo: steps.undoes === null ? null : steps.undo,
    redo: steps.redoes === null ? null : steps.redo,
  };
}
