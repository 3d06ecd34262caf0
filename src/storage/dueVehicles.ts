import { readClosing } from '@/core/closing';
import { database } from './database';

/** A vehicle with the day or distance at which it is due next. */
export interface DueVehicle {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly plate: string;
  readonly mileage_km: number | null;
  readonly what: string;
  /** Day, ISO; empty where only a distance is known. */
  readonly on: string;
  readonly at_km: number | null;
}

/** Vehicles that are due next by their latest closing, those with the nearest day first. */
export async function listDueVehicles(): Promise<DueVehicle[]> {
  const db = database();
  const [closings, jobs, vehicles] = await Promise.all([
    db.closings.toArray(),
    db.jobs.toArray(),
    db.vehicles.toArray(),
  ]);
  const jobById = new Map(jobs.map((j) => [j.id, j]));
  const latest = new Map<string, { readonly at: number; readonly due: DueVehicle }>();
  for (const { jobId, sheet, updatedAt } of closings) {
    const read = readClosing(sheet);
    const vehicle = vehicles.find((v) => v.id === jobById.get(jobId)?.vehicleId);
    if (!read.ok || !vehicle) continue;
    const { nextDue, handedOverAt } = read.value;
    if (nextDue.on === '' && nextDue.at_km === null) continue;
    const at = handedOverAt ?? updatedAt;
    if ((latest.get(vehicle.id)?.at ?? -Infinity) > at) continue;
    const { id: vehicleId, plate, mileage_km } = vehicle;
    const { what, on, at_km } = nextDue;
    latest.set(vehicleId, { at, due: { jobId, vehicleId, plate, mileage_km, what, on, at_km } });
  }
  const day = (d: DueVehicle) => (d.on === '' ? '9999' : d.on);
  return [...latest.values()].map((l) => l.due).sort((a, b) => day(a).localeCompare(day(b)));
}
