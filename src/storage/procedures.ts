import type { Result } from '@/core/base';
import { readDraft, readProcedure, type Procedure } from '@/core/procedure';
import { moveToBin } from './bin';
import { database } from './database';
import type { ProcedureRecord } from './records';
import { kept, type StorageError } from './storageError';

/** The shop's own procedures, latest first; what this version cannot read is left out and stays where it is. */
export async function listProcedures(): Promise<Procedure[]> {
  const all = await database().procedures.toArray();
  all.sort((a, b) => b.updatedAt - a.updatedAt);
  return all.flatMap(({ procedure }) => {
    const read = readProcedure(procedure);
    return read.ok ? [read.value] : [];
  });
}

/** A procedure of the shop, even where it cannot be run yet; null where there is none, words where it cannot be read. */
export async function loadDraft(id: string): Promise<Result<Procedure, string> | null> {
  const record = await database().procedures.get(id);
  return record ? readDraft(record.procedure) : null;
}

/** Keeps a procedure; one that cannot be run yet is kept too. @returns what was there, for undo */
export function putProcedure(procedure: Procedure): Promise<Result<ProcedureRecord | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.procedures, async () => {
      const before = (await db.procedures.get(procedure.id)) ?? null;
      await db.procedures.put({ id: procedure.id, updatedAt: Date.now(), procedure });
      return before;
    }),
  );
}

/** Every procedure's record, those that cannot be run too, latest first. */
export async function listProcedureRecords(): Promise<ProcedureRecord[]> {
  const all = await database().procedures.toArray();
  return all.sort((a, b) => b.updatedAt - a.updatedAt);
}

/** Takes a procedure into the bin. @returns its id there; null where it was not here */
export function deleteProcedure(id: string, name: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.procedures, db.bin, async () => {
      const record = await db.procedures.get(id);
      return record ? moveToBin('procedure', name, { procedures: [record] }) : null;
    }),
  );
}
