'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { findSteps, redoStep, undoStep, type Step } from '@/storage/journal/undoStep';
import { useUnits } from '@/ui/units';
import { stepText } from './stepWords';
import { useKeep } from './useKeep';

/** What can be undone here and done again, and how. */
export interface UndoInHand {
  /** What the last step changed; null where nothing can be undone. */
  readonly undoes: string | null;
  readonly redoes: string | null;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** Follows the steps of a job or a vehicle: they can be undone one by one, after a reload too. */
export function useUndo(scope: string): UndoInHand {
  const steps = useLiveQuery(() => findSteps(scope), [scope]);
  const keep = useKeep();
  const { show } = useUnits();
  const text = (step: Step | null | undefined) => (step ? stepText(step, show) : null);
  return {
    undoes: text(steps?.undo),
    redoes: text(steps?.redo),
    undo: () => keep(() => undoStep(scope), { says: (step) => step && `Undone: ${stepText(step, show)}.` }),
    redo: () => keep(() => redoStep(scope), { says: (step) => step && `Done again: ${stepText(step, show)}.` }),
  };
}
