import type { Result, Vehicle } from '@/core/base';
import { readEntry, type WorkKind } from '@/core/case';
import { moveToBin } from './bin';
import { database } from './database';
import type { JobRecord, ReplacedPart, VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Fields of a new vehicle. */
export interface NewVehicle extends Partial<
  Pick<VehicleRecord, 'id' | 'notes' | 'variant' | 'mileage_km' | 'parts' | 'senderPoints' | 'memory'>
> {
  readonly vehicle: Vehicle;
  readonly plate: string;
}

/** A vehicle's record from its fields. */
export function vehicleRecord(fields: NewVehicle): VehicleRecord {
  const now = Date.now();
  const unknown = { notes: '', variant: '', mileage_km: null, senderPoints: [], parts: [], memory: null };
  return {
    ...unknown,
    goodTraceIds: [],
    createdAt: now,
    updatedAt: now,
    ...fields,
    id: fields.id ?? crypto.randomUUID(),
  };
}

/** Adds a vehicle. */
export function addVehicle(fields: NewVehicle): Promise<Result<VehicleRecord, StorageError>> {
  const record = vehicleRecord(fields);
  return kept(async () => {
    await database().vehicles.add(record);
    return record;
  });
}

/** What stands in for a vehicle where a part is tested without one; never listed. */
export const NO_VEHICLE_ID = 'no-vehicle';

/** Every vehicle, by plate. */
export const listVehicles = (): Promise<VehicleRecord[]> =>
  database()
    .vehicles.orderBy('plate')
    .filter((v) => v.id !== NO_VEHICLE_ID)
    .toArray();

/** A vehicle; undefined when it does not exist. */
export const loadVehicle = (id: string): Promise<VehicleRecord | undefined> => database().vehicles.get(id);

/** Changes a vehicle's parts inside one transaction, so that two tabs lose none; returns the parts before, for undo. */
export function changeParts(
  id: string,
  change: (parts: readonly ReplacedPart[]) => readonly ReplacedPart[],
): Promise<Result<readonly ReplacedPart[], StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.vehicles, async () => {
      const before = (await db.vehicles.get(id))?.parts ?? [];
      await db.vehicles.update(id, { parts: change(before), updatedAt: Date.now() });
      return before;
    }),
  );
}

/** Jobs of a vehicle, latest first. */
export async function listVehicleJobs(vehicleId: string): Promise<JobRecord[]> {
  const jobs = await database().jobs.where('vehicleId').equals(vehicleId).toArray();
  return jobs.sort((a, b) => b.updatedAt - a.updatedAt);
}

/** Work that was done on a vehicle, over all its jobs. */
export async function listVehicleWorks(
  vehicleId: string,
): Promise<readonly { readonly work: WorkKind; readonly at: number }[]> {
  const db = database();
  const jobIds = await db.jobs.where('vehicleId').equals(vehicleId).primaryKeys();
  const rows = await db.entries
    .where('jobId')
    .anyOf(jobIds)
    .filter((e) => e.kind === 'work' && e.takenBack !== true)
    .toArray();
  return rows.flatMap((row) => {
    const entry = readEntry(row, { id: row.id, at: row.at });
    return entry.kind === 'work' ? [{ work: entry.work, at: entry.at }] : [];
  });
}

/** Deletes a vehicle that has no job left into the bin. @returns its id there; null where jobs still stand on it */
export function deleteVehicle(id: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.vehicles, db.jobs, db.bin, async () => {
      if ((await db.jobs.where('vehicleId').equals(id).count()) > 0) return null;
      const record = await db.vehicles.get(id);
      return record ? moveToBin('vehicle', record.plate, { vehicles: [record] }) : null;
    }),
  );
}
