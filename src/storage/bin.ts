import { ok, type Result } from '@/core/base';
import { database } from './database';
import { leaveNoJournal } from './journal/journalMiddleware';
import type { BinKind, BinRecord } from './records';
import { kept, Unreadable, type StorageError } from './storageError';

/** Days for which something deleted can be put back. */
export const BIN_DAYS = 30;
const DAY_MS = 24 * 3_600_000;

/** Rows to be deleted, by table. */
export type BinRows = BinRecord['rows'];

const keysOf = (table: string, rows: readonly unknown[]): string[] => {
  const key = database().table(table).schema.primKey.keyPath as string;
  return rows.map((row) => (row as Record<string, string>)[key]!);
};

/** Moves rows from their tables into the bin; call it in a transaction over both. @returns the id in the bin */
export async function moveToBin(kind: BinKind, label: string, rows: BinRows): Promise<string> {
  leaveNoJournal();
  const db = database();
  const id = crypto.randomUUID();
  await db.bin.add({ id, deletedAt: Date.now(), kind, label, rows });
  for (const [name, gone] of Object.entries(rows)) {
    // A vehicle goes along with its job as a copy: it stays where it is.
    if (name === 'vehicles' && kind !== 'vehicle') continue;
    await db.table(name).bulkDelete(keysOf(name, gone));
  }
  return id;
}

/** What is in the bin as it is listed: without its rows. */
export type BinItem = Omit<BinRecord, 'rows'>;

/** Everything in the bin, latest first. */
export async function listBin(): Promise<BinItem[]> {
  const items: BinItem[] = [];
  await database()
    .bin.orderBy('deletedAt')
    .reverse()
    .each(({ rows: _rows, ...item }) => items.push(item));
  return items;
}

/** The job of a row that is deleted too, or gone for good. */
async function orphanOf({ rows }: BinRecord): Promise<boolean> {
  const own = new Set((rows.jobs ?? []).map((j) => (j as { id: string }).id));
  const jobIds = new Set<string>();
  for (const row of Object.values(rows).flat()) {
    const { jobId } = row as { jobId?: unknown };
    if (typeof jobId === 'string' && !own.has(jobId)) jobIds.add(jobId);
  }
  const found = await database().jobs.bulkGet([...jobIds]);
  return found.some((j) => j === undefined);
}

/** Puts something back where it was. What stands there meanwhile under the same id is kept. */
export function putBack(id: string): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.tables, async () => {
      leaveNoJournal();
      const item = await db.bin.get(id);
      if (!item) throw new Unreadable('This is no longer in the bin: it was put back, or deleted for good.');
      if (item.kind !== 'logs' && (await orphanOf(item))) {
        throw new Unreadable(`The job of ${item.label} was deleted too. Put the job back first.`);
      }
      for (const [name, rows] of Object.entries(item.rows)) {
        const table = db.table<unknown, string>(name);
        const here = await table.bulkGet(keysOf(name, rows));
        await table.bulkAdd(rows.filter((_, i) => here[i] === undefined));
      }
      await db.bin.delete(id);
    }),
  );
}

/** Takes a deletion back, as its own undo: nothing was deleted where there is no id. */
export const putBackDeleted = (id: string | null): Promise<Result<void, StorageError>> =>
  id === null ? Promise.resolve(ok(undefined)) : putBack(id);

/** Deletes something in the bin for good. */
export const deleteForGood = (id: string): Promise<Result<void, StorageError>> => kept(() => database().bin.delete(id));

/** Deletes for good what has been in the bin for its time. @returns how many things that were */
export const emptyOldBin = (now_ms: number): Promise<Result<number, StorageError>> =>
  kept(() =>
    database()
      .bin.where('deletedAt')
      .below(now_ms - BIN_DAYS * DAY_MS)
      .delete(),
  );

/** Days for which an item stays, of {@link BIN_DAYS}. */
export const daysLeft = ({ deletedAt }: BinItem, now_ms: number): number =>
  Math.max(0, Math.ceil(BIN_DAYS - (now_ms - deletedAt) / DAY_MS));
