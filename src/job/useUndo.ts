'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useHotkeys } from 'react-hotkeys-hook';
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

/**
 * Follows the steps of a job, a vehicle, a procedure or the figures: they can be undone one by one, after a reload too.
 *
 * @param onChange called when a step was undone or done again
 */
export function useUndo(scope: string, onChange?: () => void): UndoInHand {
  const steps = useLiveQuery(() => findSteps(scope), [scope]);
  const keep = useKeep();
  const { show } = useUnits();
  const text = (step: Step | null | undefined) => (step ? stepText(step, show) : null);
  const told = (what: string) => (step: Step | null) => {
    onChange?.();
    return step && `${what}: ${stepText(step, show)}.`;
  };
  return {
    undoes: text(steps?.undo),
    redoes: text(steps?.redo),
    undo: () => keep(() => undoStep(scope), { says: told('Undone') }),
    redo: () => keep(() => redoStep(scope), { says: told('Done again') }),
  };
}

/** The same with its keys, outside of fields, which undo their own words. */
export function useUndoKeys(scope: string): UndoInHand {
  const steps = useUndo(scope);
  useHotkeys('mod+z', steps.undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', steps.redo, { preventDefault: true });
  return steps;
}
