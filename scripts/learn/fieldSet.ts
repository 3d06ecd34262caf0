import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Cause, Trace, Vehicle } from '../../src/core/base';
import { readVehicleFile } from '../../src/core/formats';
import { readTraceFile } from '../../src/cli/files';

/** What the truth file of a field set says of a drive. */
export interface FieldTruth {
  readonly id: string;
  readonly trace: string;
  readonly vehicle: string;
  readonly causes: readonly Cause[];
  readonly expect: string;
  readonly start: string;
  readonly observable: boolean;
  readonly clear: boolean;
  readonly channels: 'full' | 'basic' | 'ect-only';
}

/** The drives of a field set. */
export const fieldTruth = (folder: string): FieldTruth[] =>
  (JSON.parse(readFileSync(path.join(folder, 'truth.json'), 'utf8')) as { items: FieldTruth[] }).items;

/** Trace and vehicle of a drive. Throws where a file cannot be read: a field set is whole or of no use. */
export async function fieldDrive(folder: string, t: FieldTruth): Promise<{ trace: Trace; vehicle: Vehicle }> {
  const vehicle = readVehicleFile(readFileSync(path.join(folder, t.vehicle), 'utf8'));
  const read = await readTraceFile(path.join(folder, t.trace));
  if (!vehicle.ok) throw new Error(`${t.vehicle}: ${vehicle.error.message}`);
  if (!read.ok) throw new Error(`${t.trace}: ${read.error.message}`);
  return { trace: read.value.trace, vehicle: vehicle.value };
}
