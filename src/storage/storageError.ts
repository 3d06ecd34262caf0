import { fail, ok, type Result } from '@/core/base';

/** Why something could not be kept, in words a person can act on. */
export interface StorageError {
  /** `refused` and `missing` stay so; the others may pass when tried again. */
  readonly kind: 'full' | 'blocked' | 'missing' | 'refused' | 'other';
  readonly message: string;
}

/** Written by another version: it must not be written over. */
export class Unreadable extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'Unreadable';
  }
}

/** What a mend of the program, not of the disk, would help against. Source of the names: Indexed Database API 3.0. */
const DEFECTS: readonly string[] = ['ConstraintError', 'DataError', 'DataCloneError', 'TypeError', 'RangeError'];

/** Maps Dexie's errors once. Source of the names: Dexie's documentation of its error classes. */
export function toStorageError(error: unknown): StorageError {
  const name = error instanceof Error ? error.name : '';
  const inner = error instanceof Error && 'inner' in error && error.inner instanceof Error ? error.inner.name : '';
  if (name === 'QuotaExceededError' || inner === 'QuotaExceededError') {
    return {
      kind: 'full',
      message:
        'The browser\u2019s storage is full. Make room on this disk, or delete things for good from the bin (What is kept), then try again.',
    };
  }
  if (['OpenFailedError', 'MissingAPIError', 'InvalidStateError', 'SecurityError'].includes(name)) {
    return {
      kind: 'blocked',
      message: 'The browser does not let Varmek keep data here. Leave private mode or allow storage for this address.',
    };
  }
  if (error instanceof Unreadable) return { kind: 'refused', message: error.message };
  if (DEFECTS.includes(name) || DEFECTS.includes(inner)) {
    return { kind: 'refused', message: `This change cannot be kept: ${(error as Error).message}.` };
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
