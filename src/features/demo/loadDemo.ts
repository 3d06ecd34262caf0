import { array, mixed, number, object, string } from 'yup';
import { fail, ok, type Result } from '@/core/base';
import { parseVehicle } from '@/core/formats';
import { readSheet } from '@/core/repair';
import { importToJob } from '@/job/importToJob';
import { standingOf } from '@/storage/jobStanding';
import { addJob, loadDrives, loadJob } from '@/storage/jobs';
import { JOB_STATES } from '@/storage/records';
import { changeRepair } from '@/storage/repairs';
import { markDemoLoaded } from '@/storage/settings';
import { addVehicle, loadVehicle } from '@/storage/vehicles';

const garageSchema = object({
  schema: mixed<'varmek-demo/1'>().oneOf(['varmek-demo/1']).required(),
  vehicles: array(
    object({
      id: string().required(),
      plate: string().required(),
      vehicle: mixed().required(),
      variant: string().default(''),
      mileage_km: number().nullable().default(null),
      parts: array(
        object({ part: string().required(), when: string().default(''), detail: string().default('') }),
      ).default([]),
    }),
  ).required(),
  jobs: array(
    object({
      id: string().required(),
      vehicle: string().required(),
      complaint: string().required(),
      state: mixed<(typeof JOB_STATES)[number]>().oneOf(JOB_STATES).required(),
      daysAgo: number().required(),
      answers: array(string().required()).default([]),
      bench: array(mixed<object>().required()).default([]),
      repair: mixed<object>().nullable().default(null),
      trace: string().nullable().default(null),
    }),
  ).required(),
});

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

async function fetchShipped(file: string): Promise<Response> {
  const response = await fetch(`/demo/${file}`);
  if (!response.ok) throw new Error(`${file} is missing from this build (${response.status})`);
  return response;
}

/** Loads the demo garage: its vehicles and jobs, and its traces through the same import as a user's file. */
export async function loadDemo(): Promise<Result<void, string>> {
  try {
    const garage = garageSchema.validateSync(await (await fetchShipped('garage.json')).json());
    for (const entry of garage.vehicles) {
      const vehicle = parseVehicle({ schema: 'varmek-vehicle/1', ...(entry.vehicle as object) });
      if (!vehicle.ok) return fail(vehicle.error.message);
      // A load that was broken off by a reload is taken up where it stopped.
      if (await loadVehicle(entry.id)) continue;
      const added = await addVehicle({ ...entry, vehicle: vehicle.value });
      if (!added.ok) return fail(added.error.message);
    }
    for (const job of garage.jobs) {
      const createdAt = Date.now() - job.daysAgo * DAY_MS;
      const { id, vehicle: vehicleId, complaint, state } = job;
      const here = await loadDrives(id);
      if ((await loadJob(id)) && (job.trace === null || here.traces.length > 0)) continue;
      const added = (await loadJob(id))
        ? ok(null)
        : await addJob({ id, vehicleId, complaint, standing: standingOf(state, null, createdAt), createdAt }, [
            ...job.answers.map((item) => ({ kind: 'statement', at: createdAt, item, answer: 'yes' })),
            ...job.bench.map((test, i) => ({
              ...{ kind: 'bench', at: createdAt + HOUR_MS + i, item: '', answer: '', part: 'old', text: '' },
              test,
            })),
          ]);
      if (!added.ok) return fail(added.error.message);
      if (job.repair !== null) {
        const sheet = readSheet(job.repair);
        if (!sheet.ok) return fail(`${id}: ${sheet.error}`);
        const begun = await changeRepair(id, sheet.value, () => sheet.value);
        if (!begun.ok) return fail(begun.error.message);
      }
      if (job.trace === null) continue;
      const raw = await (await fetchShipped(job.trace)).blob();
      const kept = await importToJob({ jobId: id, vehicleId, fileName: job.trace, importedAt: createdAt + 1 }, raw);
      if (!kept.ok) return fail(`${job.trace}: ${kept.error.message}`);
    }
    await markDemoLoaded();
    return ok(undefined);
  } catch (error) {
    return fail(error instanceof Error ? error.message : String(error));
  }
}
