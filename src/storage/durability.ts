import { database } from './database';
import { emptyOldBin } from './bin';
import { pruneJournal } from './journal/undoStep';
import { kept, type StorageError } from './storageError';
import type { Result } from '@/core/base';

/** How safely this browser keeps what it keeps; null where it does not say. */
export interface Durability {
  /** The browser has promised not to drop it when the disk gets full. */
  readonly protected: boolean | null;
  readonly used_bytes: number | null;
  readonly most_bytes: number | null;
}

/** Asks the browser how safely it keeps what is here. */
export async function loadDurability(): Promise<Durability> {
  const { storage } = navigator as { readonly storage?: StorageManager };
  if (!storage) return { protected: null, used_bytes: null, most_bytes: null };
  const [isProtected, { usage, quota }] = await Promise.all([storage.persisted(), storage.estimate()]);
  return { protected: isProtected, used_bytes: usage ?? null, most_bytes: quota ?? null };
}

/** Asks the browser to keep what is here until a person deletes it. @returns whether it will */
export async function askToProtect(): Promise<boolean> {
  const { storage } = navigator as { readonly storage?: StorageManager };
  return storage ? storage.persist() : false;
}

const LAST_BACKUP = 'last-backup';
/** Age of the last backup from which another is due where anything was done, and how much done makes it due at once, ms. */
const DUE_AFTER_MS = 7 * 24 * 3_600_000;
const DUE_AFTER_CHANGES = 60;

/** When a backup was taken last, and what was done since. */
export interface BackupState {
  /** Null before the first. */
  readonly at: number | null;
  /** Changes and logs since. */
  readonly since: number;
  readonly due: boolean;
}

/** Looks when a backup was taken last and whether another is due. */
export async function loadBackupState(now_ms: number): Promise<BackupState> {
  const db = database();
  const value = (await db.settings.get(LAST_BACKUP))?.value;
  const at = typeof value === 'number' ? value : null;
  const [changes, logs] = await Promise.all([
    db.journal
      .where('at')
      .above(at ?? 0)
      .count(),
    db.traces
      .where('importedAt')
      .above(at ?? 0)
      .count(),
  ]);
  const since = changes + logs;
  const isOld = at !== null && now_ms - at > DUE_AFTER_MS;
  return { at, since, due: since >= DUE_AFTER_CHANGES || (isOld && since > 0) };
}

/** Remembers that a backup was taken. */
export const rememberBackup = (at: number): Promise<Result<string, StorageError>> =>
  kept(() => database().settings.put({ key: LAST_BACKUP, value: at }));

/** What a restore takes for itself alone, over all tabs. */
export const RESTORE_LOCK = 'varmek restore';

/** Clears away what a restore that was broken off had laid ready. */
export const clearStaged = (): Promise<Result<void, StorageError>> => kept(() => database().staged.clear());

/** Clears away what had its time: old deletions, old steps, a restore that was broken off. */
export async function tidyStore(now_ms: number): Promise<Result<unknown, StorageError>> {
  const emptied = await emptyOldBin(now_ms);
  if (!emptied.ok) return emptied;
  const pruned = await pruneJournal(now_ms);
  if (!pruned.ok) return pruned;
  // With nothing to clear the lock is left to a backup that is opened in this moment.
  const staged = await kept(() => database().staged.count());
  if (!staged.ok || staged.value === 0) return staged;
  const cleared = await navigator.locks.request(RESTORE_LOCK, { ifAvailable: true }, (lock) =>
    lock ? clearStaged() : null,
  );
  return cleared ?? staged;
}
