import type { Result, Vehicle } from '@/core/base';
import { database } from './database';
import type { ReplacedPart, VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Adds a vehicle. */
export function addVehicle(fields: {
  id?: string;
  vehicle: Vehicle;
  plate: string;
  notes?: string;
  variant?: string;
  mileage_km?: number | null;
  parts?: readonly ReplacedPart[];
}): Promise<Result<VehicleRecord, StorageError>> {
  const now = Date.now();
  const record: VehicleRecord = {
    id: fields.id ?? crypto.randomUUID(),
    vehicle: fields.vehicle,
    plate: fields.plate,
    notes: fields.notes ?? '',
    variant: fields.variant ?? '',
    mileage_km: fields.mileage_km ?? null,
    senderPoints: [],
    parts: fields.parts ?? [],
    memory: null,
    goodTraceIds: [],
    createdAt: now,
    updatedAt: now,
  };
  return kept(async () => {
    await database().vehicles.add(record);
    return record;
  });
}

/** Every vehicle, by plate. */
export const listVehicles = (): Promise<VehicleRecord[]> => database().vehicles.orderBy('plate').toArray();

/** Changes fields of a vehicle. */
export function updateVehicle(
  id: string,
  change: Partial<Omit<VehicleRecord, 'id' | 'createdAt'>>,
): Promise<Result<number, StorageError>> {
  return kept(() => database().vehicles.update(id, { ...change, updatedAt: Date.now() }));
}

/** A vehicle; undefined when it does not exist. */
export const loadVehicle = (id: string): Promise<VehicleRecord | undefined> => database().vehicles.get(id);
