import equal from 'fast-deep-equal';
import { figuresFile, NO_OWN_FIGURES, readFigures, type OwnFigures } from '@/core/case';
import type { Result } from '@/core/base';
import { database } from './database';
import { FIGURES_KEY } from './records';
import { kept, type StorageError } from './storageError';
import { judgeAll } from './traces';

/** A shop's own figures, and when they were changed last. */
export interface StoredFigures {
  readonly own: OwnFigures;
  /** 0 while nothing was changed. */
  readonly changedAt: number;
}

/** Reads the shop's own figures; what cannot be read counts as none and stays where it is. */
export async function loadFigures(): Promise<StoredFigures> {
  const stored = (await database().settings.get(FIGURES_KEY))?.value as { changedAt?: unknown } | undefined;
  return {
    own: figuresIn(stored),
    changedAt: typeof stored?.changedAt === 'number' ? stored.changedAt : 0,
  };
}

/** What the judge itself works with: a change of it has every trace judged again. */
const OF_THE_JUDGE = ['baseRates', 'monitors'] as const;

/** Stands among the settings from a change of the judge's figures until every trace is marked for judging again. */
const DUE_KEY = 'judge-all-again';

/**
 * Notes that every trace is to be judged again where figures of the judge changed; call it in the transaction that
 * changes them. Marking the traces rewrites each: with many that takes too long for the change itself to wait.
 */
export async function judgeAgainBy(before: OwnFigures, after: OwnFigures): Promise<void> {
  if (OF_THE_JUDGE.some((name) => !equal(before[name], after[name]))) {
    await database().settings.put({ key: DUE_KEY, value: true });
  }
}

/** Whether traces wait to be marked for judging again. */
export const judgeAllIsDue = async (): Promise<boolean> => (await database().settings.get(DUE_KEY)) !== undefined;

/** Marks every judged trace for judging again where that is due; what is broken off is begun anew. */
export function judgeAllDue(): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.settings, db.traces, async () => {
      if (!(await judgeAllIsDue())) return;
      await judgeAll();
      await db.settings.delete(DUE_KEY);
    }),
  );
}

/** A file of figures without the window of starts of the warm-up monitor. */
function withoutStarts(file: unknown): unknown {
  if (typeof file !== 'object' || file === null || !('monitors' in file)) return file;
  const { monitors } = file;
  if (typeof monitors !== 'object' || monitors === null) return file;
  return { ...file, monitors: { ...monitors, startFrom_c: undefined, startTo_c: undefined } };
}

/** The shop's own figures in a row of the store; none where they cannot be read. */
export function figuresIn(value: unknown): OwnFigures {
  if (typeof value !== 'object' || value === null || !('file' in value)) return NO_OWN_FIGURES;
  const read = readFigures(value.file);
  if (read.ok) return read.value;
  // A window of starts that cannot be was once accepted: it goes, and nothing else of the shop's figures with it.
  const again = readFigures(withoutStarts(value.file));
  return again.ok ? again.value : NO_OWN_FIGURES;
}

/**
 * Changes the shop's own figures, and notes where traces are to be judged again by them, inside one transaction.
 *
 * @returns what they were, for undo
 */
export function changeFigures(change: (own: OwnFigures) => OwnFigures): Promise<Result<OwnFigures, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.settings, async () => {
      const { own } = await loadFigures();
      const next = change(own);
      await db.settings.put({ key: FIGURES_KEY, value: { file: figuresFile(next), changedAt: Date.now() } });
      await judgeAgainBy(own, next);
      return own;
    }),
  );
}
