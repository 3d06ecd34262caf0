import { existsSync, readFileSync } from 'node:fs';
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
  /** How each cause came about, where the set says so. */
  readonly ways?: readonly { readonly cause: Cause; readonly mode: string }[];
  readonly expect: string;
  readonly start: string;
  readonly observable: boolean;
  readonly clear: boolean;
  readonly channels: 'full' | 'basic' | 'ect-only';
}

/** The drives of a field set. Throws where the folder is none: says what is missing and what to give. */
export function fieldTruth(folder: string): FieldTruth[] {
  const file = path.join(folder, 'truth.json');
  if (!existsSync(file))
    throw new Error(`${file} is not there: give the folder of a field set, with truth.json in it.`);
  const { items } = JSON.parse(readFileSync(file, 'utf8')) as { items?: FieldTruth[] };
  if (!Array.isArray(items)) throw new Error(`${file} holds no list called items: it is no truth file of a field set.`);
  return items;
}

/** Trace and vehicle of a drive. Throws where a file cannot be read: a field set is whole or of no use. */
export async function fieldDrive(
  folder: string,
  t: Pick<FieldTruth, 'trace' | 'vehicle'>,
): Promise<{ trace: Trace; vehicle: Vehicle }> {
  const vehicle = readVehicleFile(readFileSync(path.join(folder, t.vehicle), 'utf8'));
  const read = await readTraceFile(path.join(folder, t.trace));
  if (!vehicle.ok) throw new Error(`${t.vehicle}: ${vehicle.error.message}`);
  if (!read.ok) throw new Error(`${t.trace}: ${read.error.message}`);
  return { trace: read.value.trace, vehicle: vehicle.value };
}
