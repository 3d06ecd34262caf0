import equal from 'fast-deep-equal';
import { fail, ok, type Result } from '@/core/base';
import { layBeside } from '@/core/formats';
import { packJob, unpackJob, type JobBundle } from '@/storage/jobBundle';
import { addJob, loadJob, updateJob } from '@/storage/jobs';
import { addPhoto, listJobPhotos } from '@/storage/photos';
import { addTrace } from '@/storage/traces';
import { addVehicle, listVehicles, updateVehicle } from '@/storage/vehicles';
import { saveBlob } from '@/ui/saveFile';
import { importInWorker, openSecondLog } from '@/workers/client';

/** Saves a job as a file that another Varmek opens. */
export async function saveJob(jobId: string): Promise<void> {
  const detail = await loadJob(jobId);
  if (!detail) return;
  const blob = await packJob(detail, await listJobPhotos(jobId));
  saveBlob(`${detail.vehicle.plate} job.zip`, blob);
}

/** The vehicle of a bundle: the one already here under its name with the same data, else a new one. */
async function vehicleOf({ vehicle }: JobBundle): Promise<Result<string, string>> {
  const same = (await listVehicles()).find((v) => v.plate === vehicle.plate && equal(v.vehicle, vehicle.vehicle));
  if (same) return ok(same.id);
  const added = await addVehicle(vehicle);
  if (!added.ok) return fail(added.error.message);
  const { senderPoints, memory } = vehicle;
  const completed = await updateVehicle(added.value.id, { senderPoints, memory });
  return completed.ok ? ok(added.value.id) : fail(completed.error.message);
}

/** Opens a saved job beside those that are here. @returns its id */
export async function openJob(file: Blob): Promise<Result<string, string>> {
  const unpacked = await unpackJob(file);
  if (!unpacked.ok) return unpacked;
  const bundle = unpacked.value;
  const read = [];
  for (const trace of bundle.traces) {
    const imported = await importInWorker(trace.raw, trace.options);
    if (!imported.ok) return fail(`${trace.fileName}: ${imported.error.message}`);
    const { trace: alone, report } = imported.value;
    const { second, ...fields } = trace;
    if (!second) read.push({ ...fields, trace: alone, report });
    else {
      const opened = await openSecondLog(second.raw, alone, report.clock);
      if (!opened.ok) return fail(`${second.fileName}: ${opened.error.message}`);
      const { series } = opened.value;
      const merged = layBeside(alone, series, second.alignment.offset_s, second.channels);
      read.push({ ...fields, trace: merged, report, companion: { ...second, series, alone } });
    }
  }
  const vehicleId = await vehicleOf(bundle);
  if (!vehicleId.ok) return vehicleId;
  const { cold, plan, stopwatch, lookAgainOn, ...fields } = bundle.job;
  const job = await addJob({ ...fields, vehicleId: vehicleId.value });
  if (!job.ok) return fail(job.error.message);
  const completed = await updateJob(job.value.id, { cold, plan, stopwatch, lookAgainOn });
  if (!completed.ok) return fail(completed.error.message);
  for (const trace of read) {
    const kept = await addTrace({ ...trace, jobId: job.value.id, vehicleId: vehicleId.value });
    if (!kept.ok) return fail(kept.error.message);
  }
  for (const photo of bundle.photos) {
    const kept = await addPhoto({ ...photo, jobId: job.value.id });
    if (!kept.ok) return fail(kept.error.message);
  }
  return ok(job.value.id);
}
