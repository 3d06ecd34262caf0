import type { Result } from '@/core/base';
import { database } from './database';
import { caseChanged } from './jobs';
import type { VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Fields of a vehicle that can change. */
export type VehicleChange = Partial<Omit<VehicleRecord, 'id' | 'createdAt' | 'updatedAt'>>;

/** Has every trace of a vehicle judged again; call it in a transaction. */
export async function judgeVehicleAgain(id: string): Promise<void> {
  const db = database();
  const traces = await db.traces.where('vehicleId').equals(id).toArray();
  await db.findings.bulkDelete(traces.map((t) => t.id));
  await db.traces
    .where('vehicleId')
    .equals(id)
    .modify((t: { judging: unknown }) => {
      t.judging = { state: 'wanted' };
    });
  for (const jobId of new Set(traces.map((t) => t.jobId))) await caseChanged(jobId);
}

/**
 * Changes a vehicle; where its judgement depends on the change, all its traces are judged again, in the same
 * transaction.
 *
 * @param change the fields, or what they become from the vehicle that stands
 * @returns the changed fields as they were, for undo
 */
export function changeVehicle(
  id: string,
  change: VehicleChange | ((now: VehicleRecord) => VehicleChange),
  judgeAgain: boolean,
): Promise<Result<VehicleChange, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.vehicles, db.traces, db.findings, db.jobs, async () => {
      const now = await db.vehicles.get(id);
      if (!now) return {};
      const fields = typeof change === 'function' ? change(now) : change;
      await db.vehicles.update(id, { ...fields, updatedAt: Date.now() });
      if (judgeAgain) await judgeVehicleAgain(id);
      const names = Object.keys(fields) as (keyof VehicleChange)[];
      return Object.fromEntries(names.map((name) => [name, now[name]])) as VehicleChange;
    }),
  );
}
