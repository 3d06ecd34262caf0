import type { Result } from '@/core/base';
import { database } from './database';
import { caseChanged } from './jobs';
import type { VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Fields of a vehicle that can change. */
export type VehicleChange = Partial<Omit<VehicleRecord, 'id' | 'createdAt' | 'updatedAt'>>;

/**
 * Changes a vehicle; where its judgement depends on the change, all its traces are judged again, in the same
 * transaction.
 *
 * @returns the changed fields as they were, for undo
 */
export function changeVehicle(
  id: string,
  change: VehicleChange,
  judgeAgain: boolean,
): Promise<Result<VehicleChange, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.vehicles, db.traces, db.findings, db.jobs, async () => {
      const now = await db.vehicles.get(id);
      await db.vehicles.update(id, { ...change, updatedAt: Date.now() });
      if (judgeAgain) {
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
      const names = Object.keys(change) as (keyof VehicleChange)[];
      return now ? (Object.fromEntries(names.map((name) => [name, now[name]])) as VehicleChange) : {};
    }),
  );
}
