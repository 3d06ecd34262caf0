import { database } from '../database';
import { caseChanged } from '../jobs';
import { JOURNALED, leaveNoJournal } from '../journal/journalMiddleware';
import type { StagedRecord } from '../records';
import { BACKUP_TABLES } from '../tables';
import type { OnShare } from './writeBackup';

/** What taking a backup in would do to one table. */
export interface TableChange {
  readonly table: string;
  /** Rows that are not here. */
  readonly added: number;
  readonly same: number;
  /** Rows that differ, and of those the ones that the file has later: merging takes these and keeps the others. */
  readonly differing: number;
  readonly later: number;
  /** Rows that are only here: replacing takes them away. */
  readonly onlyHere: number;
}

/** How a backup is taken in: added to what is here, or in its place. */
export type RestoreWay = 'merge' | 'replace';

/** Rows handled at once. */
const AT_ONCE = 40;

type Row = Readonly<Record<string, unknown>>;

/** Fields that follow from others, or say how far the judge is. */
const ignoredIn = (table: string): readonly string[] =>
  table === 'traces' ? ['judging'] : (JOURNALED[table]?.ignored ?? []);

const isRecord = (v: unknown): v is Row => typeof v === 'object' && v !== null;

/** Whether two values of rows are the same: figures by their bits, files by length and kind, what is not given as absent. */
function same(a: unknown, b: unknown, ignored: readonly string[] = []): boolean {
  if (Object.is(a, b)) return true;
  if (!isRecord(a) || !isRecord(b)) return false;
  if (a instanceof Blob || b instanceof Blob) {
    return a instanceof Blob && b instanceof Blob && a.size === b.size && a.type === b.type;
  }
  if (a instanceof Float64Array || b instanceof Float64Array) {
    if (!(a instanceof Float64Array && b instanceof Float64Array)) return false;
    return a.length === b.length && a.every((v, i) => Object.is(v, b[i]));
  }
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => ignored.includes(key) || same(a[key], b[key]));
}

const alike = (table: string, a: Row, b: Row): boolean => same(a, b, ignoredIn(table));

type Standing = 'added' | 'same' | 'later' | 'earlier';

/** How a row of the file stands to the one that is here. A row that bears no time of change is not taken over it. */
function standingOf(table: string, row: Row, here: Row | undefined): Standing {
  if (!here) return 'added';
  if (alike(table, row, here)) return 'same';
  return Number(row.updatedAt) > Number(here.updatedAt) ? 'later' : 'earlier';
}

/** Goes through what is staged, a few rows at a time, each beside the row that is here. */
async function eachStaged(
  take: (table: string, rows: readonly Row[], here: readonly (Row | undefined)[]) => Promise<void>,
) {
  const db = database();
  let last = 0;
  for (;;) {
    const batch: StagedRecord[] = await db.staged.where('id').above(last).limit(AT_ONCE).toArray();
    if (batch.length === 0) return;
    last = batch.at(-1)!.id!;
    for (const table of new Set(batch.map((s) => s.table))) {
      const rows = batch.filter((s) => s.table === table).map((s) => s.row);
      const store = db.table<Row, string>(table);
      const key = store.schema.primKey.keyPath as string;
      await take(table, rows, await store.bulkGet(rows.map((r) => String(r[key]))));
    }
  }
}

/** What taking in what is staged would change, table by table. */
export async function previewStaged(onShare: OnShare): Promise<TableChange[]> {
  const db = database();
  const all = await db.staged.count();
  const counts = new Map<string, Record<Standing, number>>();
  let done = 0;
  await eachStaged((table, rows, here) => {
    const found = counts.get(table) ?? { added: 0, same: 0, later: 0, earlier: 0 };
    rows.forEach((row, i) => found[standingOf(table, row, here[i])]++);
    counts.set(table, found);
    onShare((done += rows.length) / all);
    return Promise.resolve();
  });
  return Promise.all(
    BACKUP_TABLES.map(async (table) => {
      const { added, same, later, earlier } = counts.get(table) ?? { added: 0, same: 0, later: 0, earlier: 0 };
      const onlyHere = (await db.table(table).count()) - same - later - earlier;
      return { table, added, same, differing: later + earlier, later, onlyHere };
    }),
  );
}

/** What belongs together: jobs to which rows were added are worked out again. */
const jobOf = (row: Row): string | null => (typeof row.jobId === 'string' ? row.jobId : null);

/**
 * Takes in what is staged, all of it or nothing: one transaction, which the browser takes back whole if this tab, the
 * disk or the power goes in the middle of it.
 */
export async function restoreStaged(way: RestoreWay, onShare: OnShare): Promise<void> {
  const db = database();
  const all = await db.staged.count();
  const tables = [...BACKUP_TABLES, 'summaries', 'journal', 'staged'].map((name) => db.table(name));
  await db.transaction('rw', tables, async () => {
    leaveNoJournal();
    if (way === 'replace') for (const table of tables) if (table.name !== 'staged') await table.clear();
    const touched = new Set<string>();
    let done = 0;
    await eachStaged(async (table, rows, here) => {
      const takes = rows.filter((row, i) => ['added', 'later'].includes(standingOf(table, row, here[i])));
      await db.table(table).bulkPut(takes);
      for (const row of takes) {
        const jobId = jobOf(row);
        if (jobId !== null) touched.add(jobId);
      }
      onShare((done += rows.length) / all);
    });
    if (way === 'merge') for (const jobId of touched) await caseChanged(jobId);
    await db.staged.clear();
  });
}
