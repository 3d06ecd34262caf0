import { parseJson } from '@/core/formats';
import type { VehicleRecord } from '@/storage/records';
import { dropDraft, keepDraft, readDraft } from '@/ui/draft';
import type { VehicleFormValues } from './vehicleFields';

/** What was typed into a vehicle form and not saved, and the vehicle with which typing began. */
export interface VehicleDraft {
  readonly values: VehicleFormValues;
  /** Null for a new vehicle. */
  readonly base: VehicleRecord | null;
}

const NEW = 'new vehicle';
const nameOf = (vehicleId: string | null): string => (vehicleId === null ? NEW : `vehicle ${vehicleId}`);

/** What waits for a vehicle, null for a new one; null where nothing does. */
export function readVehicleDraft(vehicleId: string | null): VehicleDraft | null {
  const json = parseJson(readDraft(nameOf(vehicleId)) ?? '');
  const draft = json.ok ? (json.value as Partial<VehicleDraft> | null) : null;
  // The form checks the values themselves when they are saved.
  return typeof draft?.values === 'object' && (draft.base?.id ?? null) === vehicleId ? (draft as VehicleDraft) : null;
}

/** Keeps what is typed until it is saved. */
export const keepVehicleDraft = (draft: VehicleDraft): void =>
  keepDraft(nameOf(draft.base?.id ?? null), JSON.stringify(draft));

/** Forgets what waits for a vehicle: it was saved, or given up. */
export const dropVehicleDraft = (vehicleId: string | null): void => {
  const name = nameOf(vehicleId);
  dropDraft(name, readDraft(name) ?? '');
};
