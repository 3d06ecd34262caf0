import type { Result } from '@/core/base';
import { database } from '@/storage/database';

/** Empties every table. */
export async function emptyStore(): Promise<void> {
  await Promise.all(database().tables.map((t) => t.clear()));
}

/** The value of a result that must be good. @throws {Error} with its message where it is not */
export async function good<T>(result: Promise<Result<T, { message: string } | string>>): Promise<T> {
  const r = await result;
  if (!r.ok) throw new Error(typeof r.error === 'string' ? r.error : r.error.message);
  return r.value;
}
