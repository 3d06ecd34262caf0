import equal from 'fast-deep-equal';
import { fail, type Result } from '@/core/base';
import { readSheet, type RepairSheet } from '@/core/repair';
import { database } from './database';
import { addEntry, undoEntries, type EntryChange, type NewEntry } from './entries';
import type { RepairRecord } from './records';
import { revert } from './revert';
import { kept, Unreadable, type StorageError } from './storageError';

/** What a change did to the repairs of a job, so that it can be undone. */
export interface RepairChange {
  readonly id: string;
  /** As it was; without a record it was not there, and the sheet is what it began with. */
  readonly before: { readonly record: RepairRecord | null; readonly sheet: unknown };
  readonly after: RepairSheet;
}

/** The repair of a job that stands: the latest; undefined before the first. */
export async function loadRepair(jobId: string): Promise<RepairRecord | undefined> {
  const all = await database().repairs.where('jobId').equals(jobId).sortBy('startedAt');
  return all.at(-1);
}

/** Repairs that are not closed, by their job: what a list shows of those that lie open. */
export async function openRepairs(): Promise<Map<string, RepairSheet>> {
  const all = await database().repairs.toArray();
  all.sort((a, b) => a.startedAt - b.startedAt);
  const open = new Map<string, RepairSheet>();
  for (const record of all) {
    const sheet = readSheet(record.sheet);
    if (sheet.ok && sheet.value.closedAt === null) open.set(record.jobId, sheet.value);
    else open.delete(record.jobId);
  }
  return open;
}

/** Reads, changes and keeps the repair that stands; call it in a transaction. */
async function put(
  jobId: string,
  first: RepairSheet,
  change: (sheet: RepairSheet) => RepairSheet,
): Promise<RepairChange> {
  const record = (await loadRepair(jobId)) ?? null;
  const read = record === null ? null : readSheet(record.sheet);
  if (read && !read.ok)
    throw new Unreadable(`This repair was written by another version (${read.error}). Begin another one.`);
  const now = Date.now();
  const id = record?.id ?? crypto.randomUUID();
  const was = read?.value ?? first;
  const sheet = change(was);
  await database().repairs.put({ id, jobId, startedAt: record?.startedAt ?? now, updatedAt: now, sheet });
  return { id, before: { record, sheet: was }, after: sheet };
}

/**
 * Changes the repair that stands, or begins the first: inside one transaction, so that two tabs lose nothing.
 *
 * @param first what a repair begins with
 */
export function changeRepair(
  jobId: string,
  first: RepairSheet,
  change: (sheet: RepairSheet) => RepairSheet,
): Promise<Result<RepairChange, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.repairs, db.jobs, async () => {
      const changed = await put(jobId, first, change);
      await db.jobs.update(jobId, { updatedAt: Date.now() });
      return changed;
    }),
  );
}

/** Begins another repair; the one before is kept as it stands. */
export function beginRepair(jobId: string, first: RepairSheet): Promise<Result<RepairChange, StorageError>> {
  const now = Date.now();
  const id = crypto.randomUUID();
  return kept(async () => {
    await database().repairs.add({ id, jobId, startedAt: now, updatedAt: now, sheet: first });
    return { id, before: { record: null, sheet: first }, after: first };
  });
}

/** Undoes one change of a repair; what was changed after it stays. */
export function undoRepair({ id, before, after }: RepairChange): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.repairs, async () => {
      const now = await db.repairs.get(id);
      if (!now) return;
      // The first change of a repair is its beginning: with nothing since, there was none.
      if (before.record === null && equal(now.sheet, after)) return void (await db.repairs.delete(id));
      const sheet = revert<unknown>(before.sheet, after, now.sheet);
      await db.repairs.put({ ...now, updatedAt: Date.now(), sheet });
    }),
  );
}

/** Entries that were written into the chronicle together with a change of the repair. */
export interface EnteredRepair {
  readonly entries: readonly EntryChange[];
  readonly repair: RepairChange;
}

/** Writes entries into the chronicle and changes the repair with them, all or nothing. */
export async function enterRepair(
  jobId: string,
  first: RepairSheet,
  entries: readonly NewEntry[],
  change: (sheet: RepairSheet) => RepairSheet,
): Promise<Result<EnteredRepair, StorageError>> {
  const db = database();
  let refused: StorageError | null = null;
  const written = await kept(() =>
    db.transaction('rw', [db.repairs, db.entries, db.jobs, db.traces, db.findings], async () => {
      const added: EntryChange[] = [];
      for (const entry of entries) {
        const one = await addEntry(jobId, entry);
        if (!one.ok) {
          refused = one.error;
          throw new Error(one.error.message);
        }
        added.push(one.value);
      }
      return { entries: added, repair: await put(jobId, first, change) };
    }),
  );
  return refused ? fail(refused) : written;
}

/** Takes both back. */
export async function undoEntered({ entries, repair }: EnteredRepair): Promise<Result<void, StorageError>> {
  for (const entry of [...entries].reverse()) {
    const undone = await undoEntries(entry);
    if (!undone.ok) return undone;
  }
  return undoRepair(repair);
}
