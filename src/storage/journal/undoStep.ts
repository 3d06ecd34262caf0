import type { Result } from '@/core/base';
import { database } from '../database';
import { judgeAgainWithoutAir } from '../entries';
import { figuresIn, judgeAgainBy } from '../figures';
import { touchCase } from '../jobs';
import { judgeVehicleAgain } from '../changeVehicle';
import { FIGURES_KEY, type EntryRecord, type JournalRecord } from '../records';
import { revert } from '../revert';
import { kept, type StorageError } from '../storageError';
import { JOURNALED, leaveNoJournal } from './journalMiddleware';

/** One step of a person: the rows that it changed together, oldest first. */
export type Step = readonly JournalRecord[];

/** What can be undone and done again. */
export interface Steps {
  readonly undo: Step | null;
  readonly redo: Step | null;
}

/** Steps are kept this long, and no more rows than this. */
const KEPT_MS = 30 * 24 * 3_600_000;
const MOST_ROWS = 2000;

async function stepOf(row: JournalRecord | undefined): Promise<Step | null> {
  return row ? database().journal.where('group').equals(row.group).sortBy('id') : null;
}

/** The last step of a scope, and the one that was undone last. */
export async function findSteps(scope: string): Promise<Steps> {
  const rows = await database().journal.where('scope').equals(scope).sortBy('id');
  const last = rows.findLastIndex((r) => r.undone !== true);
  // A step that was undone can be done again until something else is done.
  return { undo: await stepOf(rows[last]), redo: await stepOf(rows[last + 1]) };
}

/** Sets one row back to what it was, or forward again; what was changed in it since stays. */
async function setRow(row: JournalRecord, from: unknown, to: unknown): Promise<void> {
  const table = database().table<unknown, string>(row.table);
  const now = await table.get(row.key);
  if (to === null) await table.delete(row.key);
  else if (now === undefined || from === null) await table.put(to);
  else await table.put(revert(to, from, now));
}

/** Fields of a vehicle that its judgements follow from. */
const JUDGED_BY = ['vehicle', 'memory', 'goodTraceIds'] as const;

/** Has whatever follows from changed rows worked out again. */
async function settle(step: Step): Promise<void> {
  const rows = (table: string) => step.filter((r) => r.table === table).flatMap((r) => [r.before, r.after]);
  await judgeAgainWithoutAir(rows('entries').filter((r) => r !== null) as unknown as EntryRecord[]);
  for (const { table, key, before, after } of step) {
    if (table === 'settings' && key === FIGURES_KEY) {
      await judgeAgainBy(figuresIn(before?.value), figuresIn(after?.value));
    }
    if (table === 'vehicles' && JUDGED_BY.some((f) => before?.[f] !== after?.[f])) await judgeVehicleAgain(key);
  }
  const jobIds = step.map((r) => r.scope).filter((s) => s.startsWith('job '));
  for (const scope of new Set(jobIds)) await touchCase(scope.slice('job '.length));
}

const wholeScope = () => {
  const db = database();
  return [...Object.keys(JOURNALED).map((name) => db.table(name)), db.journal, db.traces, db.findings];
};

/** Undoes the last step of a scope, however long ago. @returns it; null where there is none */
export function undoStep(scope: string): Promise<Result<Step | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', wholeScope(), async () => {
      leaveNoJournal();
      const { undo } = await findSteps(scope);
      if (!undo) return null;
      for (const row of [...undo].reverse()) await setRow(row, row.after, row.before);
      await db.journal.bulkPut(undo.map((r) => ({ ...r, undone: true })));
      await settle(undo);
      return undo;
    }),
  );
}

/** Does the step again that was undone last. @returns it; null where there is none */
export function redoStep(scope: string): Promise<Result<Step | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', wholeScope(), async () => {
      leaveNoJournal();
      const { redo } = await findSteps(scope);
      if (!redo) return null;
      for (const row of redo) await setRow(row, row.before, row.after);
      await db.journal.bulkPut(redo.map(({ undone: _undone, ...r }) => r));
      await settle(redo);
      return redo;
    }),
  );
}

/** Forgets steps that are old, and the oldest beyond what is kept. */
export function pruneJournal(now_ms: number): Promise<Result<void, StorageError>> {
  const { journal } = database();
  return kept(async () => {
    await journal.filter((r) => now_ms - r.at > KEPT_MS).delete();
    const beyond = (await journal.count()) - MOST_ROWS;
    if (beyond > 0) await journal.orderBy('id').limit(beyond).delete();
  });
}
