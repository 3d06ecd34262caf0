import equal from 'fast-deep-equal';
import { fail, ok, type Result } from '@/core/base';
import { unpackJob, type JobBundle, type TravellingTrace } from '@/storage/bundle/jobBundle';
import { keepOpenedJob, type OpenedTrace } from '@/storage/bundle/keepOpenedJob';
import { listVehicles } from '@/storage/vehicles';
import { laidBeside } from './laidBeside';
import { importInWorker, openSecondLog } from '@/workers/client';

/** Reads a travelling log again, as it was read where it came from. */
async function reread(trace: TravellingTrace): Promise<Result<OpenedTrace, string>> {
  const imported = await importInWorker(trace.raw, trace.options);
  if (!imported.ok) return fail(`${trace.fileName}: ${imported.error.message}`);
  const { trace: alone, report } = imported.value;
  const { second, ...fields } = trace;
  if (!second) return ok({ ...fields, trace: alone, report, companion: null });
  const opened = await openSecondLog(second.raw, alone, report.clock);
  if (!opened.ok) return fail(`${second.fileName}: ${opened.error.message}`);
  const companion = { ...second, series: opened.value.series, alone };
  return ok({ ...fields, trace: laidBeside(alone, companion), report, companion });
}

/** The vehicle that is here already under the same name with the same data; null where there is none. */
async function sameVehicle({ vehicle }: JobBundle): Promise<string | null> {
  const all = await listVehicles();
  return all.find((v) => v.plate === vehicle.plate && equal(v.vehicle, vehicle.vehicle))?.id ?? null;
}

/** Opens a saved job beside those that are here: all of it, or nothing. @returns its id */
export async function openJob(file: Blob): Promise<Result<string, string>> {
  const unpacked = await unpackJob(file);
  if (!unpacked.ok) return unpacked;
  const traces: OpenedTrace[] = [];
  for (const trace of unpacked.value.traces) {
    const read = await reread(trace);
    if (!read.ok) return read;
    traces.push(read.value);
  }
  const kept = await keepOpenedJob(unpacked.value, traces, await sameVehicle(unpacked.value));
  return kept.ok ? kept : fail(kept.error.message);
}
