import type { Result } from '@/core/base';
import { moveToBin } from './bin';
import { database } from './database';
import type { TriageRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Every log of the batch, in the order in which it came. */
export const listTriage = (): Promise<TriageRecord[]> => database().triage.orderBy('addedAt').toArray();

/** Adds logs to the batch. */
export function addTriage(
  logs: readonly Pick<TriageRecord, 'fileName' | 'raw' | 'vehicleId'>[],
): Promise<Result<void, StorageError>> {
  const addedAt = Date.now();
  return kept(async () => {
    await database().triage.bulkAdd(
      logs.map((log, i) => ({
        ...log,
        id: crypto.randomUUID(),
        addedAt: addedAt + i,
        outcome: { state: 'waiting' },
      })),
    );
  });
}

/** Says whose log it is; it is judged anew. */
export const assignTriage = (id: string, vehicleId: string): Promise<Result<number, StorageError>> =>
  kept(() => database().triage.update(id, { vehicleId, outcome: { state: 'waiting' } }));

/** Keeps what came out of a log, unless it was given to another vehicle meanwhile. */
export function settleTriage(
  record: TriageRecord,
  outcome: TriageRecord['outcome'],
): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.triage, async () => {
      const now = await db.triage.get(record.id);
      if (now?.vehicleId === record.vehicleId) await db.triage.update(record.id, { outcome });
    }),
  );
}

/** What was taken off the table. */
export interface ClearedTriage {
  readonly binId: string | null;
  readonly count: number;
}

/** Empties the batch into the bin. */
export function clearTriage(): Promise<Result<ClearedTriage, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.triage, db.bin, async () => {
      const all = await db.triage.toArray();
      if (all.length === 0) return { binId: null, count: 0 };
      return { binId: await moveToBin('logs', `${all.length} logs of a batch`, { triage: all }), count: all.length };
    }),
  );
}

/** A log of the batch. */
export const loadTriage = (id: string): Promise<TriageRecord | undefined> => database().triage.get(id);

/** Remembers the job that was opened on a log, so that it is not opened twice. */
export const rememberJob = (id: string, jobId: string): Promise<Result<number, StorageError>> =>
  kept(() => database().triage.update(id, { jobId }));
