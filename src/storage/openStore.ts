import { database } from './database';
import { toStorageError } from './storageError';

/** Where the store stands. */
export type StoreState =
  | { readonly kind: 'opening' }
  | { readonly kind: 'ready' }
  /** The browser refuses it. */
  | { readonly kind: 'blocked'; readonly why: string }
  /** Another tab holds it open with an older version of the program. */
  | { readonly kind: 'held' }
  /** It belongs to a newer version of the program, opened elsewhere or before. */
  | { readonly kind: 'newer' };

let state: StoreState = { kind: 'opening' };
const watchers = new Set<() => void>();

function become(next: StoreState): void {
  state = next;
  for (const changed of watchers) changed();
}

/** Where the store stands now. */
export const storeState = (): StoreState => state;

/** Calls at every change of where the store stands. @returns how to end it */
export function watchStore(changed: () => void): () => void {
  watchers.add(changed);
  return () => watchers.delete(changed);
}

/** Dexie counts its versions in tenths. */
const VERSIONS_PER_STEP = 10;

let isAsked = false;

/** Opens the store, once, and follows what becomes of it. */
export function openStore(): void {
  if (isAsked) return;
  isAsked = true;
  const db = database();
  db.on('blocked', () => become({ kind: 'held' }));
  db.on('versionchange', () => {
    // A newer version waits for this tab to let go: it opens nothing again until it is reloaded.
    db.close({ disableAutoOpen: true });
    become({ kind: 'newer' });
    return false;
  });
  db.open().then(
    () => {
      // Dexie opens a store of a later version too, and would write into what it does not know.
      if (db.backendDB().version <= Math.round(db.verno * VERSIONS_PER_STEP)) return become({ kind: 'ready' });
      db.close({ disableAutoOpen: true });
      become({ kind: 'newer' });
    },
    (error: unknown) => {
      const name = error instanceof Error ? error.name : '';
      become(name === 'VersionError' ? { kind: 'newer' } : { kind: 'blocked', why: toStorageError(error).message });
    },
  );
}
