import { fail, ok, type Result } from '@/core/base';

/** Why something could not be kept, in words a person can act on. */
export interface StorageError {
  readonly kind: 'full' | 'blocked' | 'missing' | 'other';
  readonly message: string;
}

/** Maps Dexie's errors once. Source of the names: Dexie's documentation of its error classes. */
export function toStorageError(error: unknown): StorageError {
  const name = error instanceof Error ? error.name : '';
  const inner = error instanceof Error && 'inner' in error && error.inner instanceof Error ? error.inner.name : '';
  if (name === 'QuotaExceededError' || inner === 'QuotaExceededError') {
    return { kind: 'full', message: 'The browser\u2019s storage is full. Export and delete old jobs, then try again.' };
  }
  if (['OpenFailedError', 'MissingAPIError', 'InvalidStateError', 'SecurityError'].includes(name)) {
    return {
      kind: 'blocked',
      message: 'The browser does not let Varmek keep data here. Leave private mode or allow storage for this address.',
    };
  }
  if (name === 'NotFoundError') return { kind: 'missing', message: 'This entry is no longer there. Reload the page.' };
  return {
    kind: 'other',
    message: `Saving failed: ${error instanceof Error ? error.message : String(error)}. Try again.`,
  };
}

/** Runs a write and turns its failure into plain data. */
export async function kept<T>(write: () => Promise<T>): Promise<Result<T, StorageError>> {
  try {
    return ok(await write());
  } catch (error) {
    return fail(toStorageError(error));
  }
}
