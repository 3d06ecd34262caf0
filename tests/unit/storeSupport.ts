import { readFileSync } from 'node:fs';
import path from 'node:path';
import { vi } from 'vitest';
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

const FOLDER = path.join(import.meta.dirname, '..', '..', 'public', 'demo');

/** Serves the shipped demo files; some can be missing. */
export function serveDemo(missing: readonly string[] = []): void {
  vi.stubGlobal('fetch', (url: string) => {
    const name = url.replace('/demo/', '');
    return Promise.resolve(
      missing.includes(name)
        ? new Response('', { status: 404 })
        : new Response(new Uint8Array(readFileSync(path.join(FOLDER, name)))),
    );
  });
}
