import { figuresFile, NO_OWN_FIGURES, readFigures, type OwnFigures } from '@/core/case';
import type { Result } from '@/core/base';
import { database } from './database';
import { kept, type StorageError } from './storageError';

const KEY = 'figures';

/** A shop's own figures, and when they were changed last. */
export interface StoredFigures {
  readonly own: OwnFigures;
  /** 0 while nothing was changed. */
  readonly changedAt: number;
}

/** Reads the shop's own figures; what cannot be read counts as none and stays where it is. */
export async function loadFigures(): Promise<StoredFigures> {
  const stored = (await database().settings.get(KEY))?.value as { file?: unknown; changedAt?: unknown } | undefined;
  const read = stored ? readFigures(stored.file) : null;
  return {
    own: read?.ok ? read.value : NO_OWN_FIGURES,
    changedAt: typeof stored?.changedAt === 'number' ? stored.changedAt : 0,
  };
}

/** Changes the shop's own figures inside one transaction; returns what they were, for undo. */
export function changeFigures(change: (own: OwnFigures) => OwnFigures): Promise<Result<OwnFigures, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.settings, async () => {
      const { own } = await loadFigures();
      await db.settings.put({ key: KEY, value: { file: figuresFile(change(own)), changedAt: Date.now() } });
      return own;
    }),
  );
}
