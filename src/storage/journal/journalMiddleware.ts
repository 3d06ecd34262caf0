import { Dexie, type DBCore, type DBCoreMutateRequest, type DBCoreTable, type Middleware } from 'dexie';
import equal from 'fast-deep-equal';
import { FIGURES_KEY, type JournalRecord } from '../records';
import { typedPath } from './typedPath';

type Row = Readonly<Record<string, unknown>>;

/** What of a row is nobody's change, and whose change the rest is. */
interface Journaled {
  /** Null for rows that no person changes. */
  readonly scope: (row: Row) => string | null;
  /** Fields that follow from others. */
  readonly ignored: readonly string[];
  /** Rows that come and go by other ways: made on their own screen, deleted into the bin. */
  readonly updatesOnly?: true;
}

/** What the changes of a job are found under. */
export const jobScope = (jobId: string): string => `job ${jobId}`;
/** What the changes of a vehicle are found under. */
export const vehicleScope = (vehicleId: string): string => `vehicle ${vehicleId}`;
/** What the changes of a procedure are found under. */
export const procedureScope = (procedureId: string): string => `procedure ${procedureId}`;
/** What the changes of the shop's own figures are found under. */
export const FIGURES_SCOPE = 'figures';

const ofJob = (row: Row): string => jobScope(String(row.jobId));

/** Tables whose every change can be undone, after a reload too. */
export const JOURNALED: Readonly<Record<string, Journaled>> = {
  jobs: { scope: (row) => jobScope(String(row.id)), ignored: ['revision', 'updatedAt'], updatesOnly: true },
  entries: { scope: ofJob, ignored: [] },
  repairs: { scope: ofJob, ignored: ['updatedAt'] },
  closings: { scope: ofJob, ignored: ['updatedAt'] },
  runs: { scope: ofJob, ignored: ['seen_ms'] },
  procedures: { scope: (row) => procedureScope(String(row.id)), ignored: ['updatedAt'], updatesOnly: true },
  settings: { scope: (row) => (row.key === FIGURES_KEY ? FIGURES_SCOPE : null), ignored: [] },
  vehicles: { scope: (row) => vehicleScope(String(row.id)), ignored: ['updatedAt'], updatesOnly: true },
};

/** Typing in one place within this time is one change, ms. */
const ONE_CHANGE_MS = 4000;

/** Transactions that write nothing into the journal. */
const silent = new WeakSet<object>();
const groups = new WeakMap<object, string>();
/** The last change that was written whole, for the next stroke of the same typing. */
let last: readonly JournalRecord[] = [];

/** Has the transaction under way leave no trace in the journal: what it does is undone in a way of its own. */
export function leaveNoJournal(): void {
  // What is typed next is not a stroke of what was typed before.
  last = [];
  silent.add((Dexie.currentTransaction as unknown as { readonly idbtrans: object }).idbtrans);
}

const without = (row: Row | null, ignored: readonly string[]): Row | null =>
  row && Object.fromEntries(Object.entries(row).filter(([name]) => !ignored.includes(name)));

/** What a request changes, as rows of the journal. */
function changesOf(
  table: string,
  keys: readonly unknown[],
  before: readonly (Row | undefined)[],
  after: readonly Row[],
) {
  const { scope, ignored, updatesOnly } = JOURNALED[table]!;
  return keys.flatMap((key, i): Omit<JournalRecord, 'group'>[] => {
    const was = before[i] ?? null;
    const is = after[i] ?? null;
    const row = is ?? was;
    if (row === null || (updatesOnly && (was === null || is === null))) return [];
    if (equal(without(was, ignored), without(is, ignored))) return [];
    const found = scope(row);
    return found === null ? [] : [{ scope: found, at: Date.now(), table, key: String(key), before: was, after: is }];
  });
}

const keysOf = (table: DBCoreTable, req: DBCoreMutateRequest): readonly unknown[] => {
  if (req.type === 'delete') return req.keys;
  if (req.type === 'deleteRange') return [];
  return req.keys ?? req.values.map((v: unknown) => table.schema.primaryKey.extractKey?.(v) as unknown);
};

/** The stroke before of the same typing: the same place a moment ago; undefined where this is another change. */
function strokeBefore(changes: readonly Omit<JournalRecord, 'group'>[]): JournalRecord | undefined {
  const [change, ...others] = changes;
  const [was, ...besides] = last;
  if (!change || !was || others.length > 0 || besides.length > 0) return undefined;
  if (was.table !== change.table || was.key !== change.key || change.at - was.at >= ONE_CHANGE_MS) return undefined;
  const { ignored } = JOURNALED[change.table]!;
  const path = typedPath(change.before, change.after, ignored);
  if (path === null) return undefined;
  // The first stroke may have made the row.
  return was.before === null || typedPath(was.before, was.after, ignored) === path ? was : undefined;
}

function journaling(core: DBCore, table: DBCoreTable): DBCoreTable {
  return {
    ...table,
    mutate: (req) => {
      const trans = req.trans as unknown as IDBTransaction;
      if (trans.mode !== 'readwrite' || silent.has(trans)) return table.mutate(req);
      const keys = keysOf(table, req);
      // Not from the cache of the transaction: it would go on holding what is read here.
      const known = req.type === 'add' ? [] : [...keys];
      return table.getMany({ trans: req.trans, keys: known }).then((before: (Row | undefined)[]) =>
        table.mutate(req).then((response) => {
          const after = req.type === 'add' || req.type === 'put' ? (req.values as readonly Row[]) : [];
          const changes = response.numFailures > 0 ? [] : changesOf(table.name, keys, before, after);
          if (changes.length === 0) return response;
          const begun = groups.get(trans);
          const stroke = begun === undefined ? strokeBefore(changes) : undefined;
          const group = begun ?? stroke?.group ?? crypto.randomUUID();
          groups.set(trans, group);
          const rows: JournalRecord[] = stroke
            ? [{ ...stroke, at: changes[0]!.at, after: changes[0]!.after }]
            : changes.map((c) => ({ ...c, group }));
          return core
            .table('journal')
            .mutate({ type: 'put', trans: req.trans, values: rows })
            .then(({ results }) => {
              const written = rows.map((row, i) => ({ ...row, id: Number(row.id ?? results?.[i]) }));
              trans.addEventListener('complete', () => {
                last = begun === undefined ? written : [...last, ...written];
              });
              return response;
            });
        }),
      );
    },
  };
}

/**
 * Writes every change of a person's rows into the journal, inside the transaction that makes it: rows before and after,
 * the rows of one transaction as one step. No function that changes something has to know of it.
 */
export const journalMiddleware: Middleware<DBCore> = {
  stack: 'dbcore',
  name: 'journal',
  create: (core) => ({
    ...core,
    transaction: (stores, mode, options) =>
      core.transaction(
        mode === 'readwrite' && stores.some((s) => Object.hasOwn(JOURNALED, s)) && !stores.includes('journal')
          ? [...stores, 'journal']
          : stores,
        mode,
        options,
      ),
    table: (name) => {
      const table = core.table(name);
      return Object.hasOwn(JOURNALED, name) ? journaling(core, table) : table;
    },
  }),
};
