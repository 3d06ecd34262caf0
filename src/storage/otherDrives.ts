import type { Vehicle } from '@/core/base';
import type { Finding } from '@/core/judge';
import { database } from './database';
import type { TraceRecord, VehicleRecord } from './records';

/** A drive that another can be held against, without its samples. */
export interface OtherDrive {
  readonly id: string;
  readonly fileName: string;
  readonly importedAt: number;
  readonly plate: string;
  readonly sameVehicle: boolean;
}

/** Engines of one kind: the same fuel and drive, displacement within this, l. */
const LIKE_WITHIN_L = 0.3;

const alike = (a: Vehicle, b: Vehicle): boolean =>
  a.engine.fuel === b.engine.fuel &&
  a.engine.hybrid === b.engine.hybrid &&
  Math.abs(a.engine.displacement_l - b.engine.displacement_l) <= LIKE_WITHIN_L;

/** Drives of the same vehicle first, then of others of its kind, each latest first; without the drive itself. */
export async function listOtherDrives(of: VehicleRecord, exceptId: string): Promise<OtherDrive[]> {
  const db = database();
  const vehicles = (await db.vehicles.toArray()).filter((v) => v.id === of.id || alike(v.vehicle, of.vehicle));
  const found: OtherDrive[] = [];
  await db.traces
    .where('vehicleId')
    .anyOf(vehicles.map((v) => v.id))
    .each(({ id, fileName, importedAt, vehicleId }) => {
      if (id === exceptId) return;
      const plate = vehicles.find((v) => v.id === vehicleId)!.plate;
      found.push({ id, fileName, importedAt, plate, sameVehicle: vehicleId === of.id });
    });
  return found.sort((a, b) => Number(b.sameVehicle) - Number(a.sameVehicle) || b.importedAt - a.importedAt);
}

/** A drive with what was found of it and its vehicle. */
export interface LoadedDrive {
  readonly record: TraceRecord;
  readonly vehicle: VehicleRecord;
  readonly finding: Finding | null;
}

/** Loads a drive of any job; null where it is gone. */
export async function loadDrive(id: string): Promise<LoadedDrive | null> {
  const db = database();
  const record = await db.traces.get(id);
  const vehicle = record && (await db.vehicles.get(record.vehicleId));
  if (!record || !vehicle) return null;
  return { record, vehicle, finding: (await db.findings.get(id))?.finding ?? null };
}
