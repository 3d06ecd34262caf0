import { array, mixed, number, object, string } from 'yup';
import { fail, ok, type Result } from '@/core/base';
import { readClosing } from '@/core/closing';
import { parseVehicle } from '@/core/formats';
import { readSheet } from '@/core/repair';
import { importToJob } from '@/job/importToJob';
import { changeClosing } from '@/storage/closings';
import { addEntry, type NewEntry } from '@/storage/entries';
import { standingOf } from '@/storage/jobStanding';
import { addJob, deleteJob, loadDrives, loadJob } from '@/storage/jobs';
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
      drives: array(object({ file: string().required(), after_h: number().required() })).default([]),
      entries: array(mixed<DemoEntry>().required()).default([]),
      closing: mixed<object>().nullable().default(null),
    }),
  ).required(),
});

/** An entry of a demo job: at its hour after the arrival, speaking of its drives by their files. */
type DemoEntry = Readonly<Record<string, unknown>> & { readonly after_h: number };

type DemoJob = ReturnType<typeof garageSchema.validateSync>['jobs'][number];

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** An entry at its time, of the traces that its files became here. */
function entryAt(entry: DemoEntry, createdAt: number, traceIds: ReadonlyMap<string, string>): NewEntry {
  const { after_h, clearedAfter_h, traceFile, beforeFile, ...fields } = entry;
  const at = (hours: unknown) => createdAt + HOUR_MS * Number(hours);
  const idOf = (file: unknown) => (typeof file === 'string' ? (traceIds.get(file) ?? '') : '');
  return {
    ...fields,
    ...(fields.kind === 'code' ? { clearedAt: clearedAfter_h == null ? null : at(clearedAfter_h) } : {}),
    ...(fields.kind === 'proof' ? { traceId: idOf(traceFile), beforeId: idOf(beforeFile) } : {}),
    at: at(after_h),
  } as unknown as NewEntry;
}

/** What a job has beside its first entries: drives, entries at their hours, papers. @returns what went wrong, or null */
async function loadRest(job: DemoJob, createdAt: number): Promise<string | null> {
  const { id: jobId, vehicle: vehicleId } = job;
  const traceIds = new Map<string, string>();
  for (const { file, after_h } of job.drives) {
    const raw = await (await fetchShipped(file)).blob();
    const place = { jobId, vehicleId, fileName: file, importedAt: createdAt + HOUR_MS * after_h };
    const kept = await importToJob(place, raw);
    if (!kept.ok) return `${file}: ${kept.error.message}`;
    traceIds.set(file, kept.value.id);
  }
  for (const entry of job.entries) {
    const added = await addEntry(jobId, entryAt(entry, createdAt, traceIds));
    if (!added.ok) return added.error.message;
  }
  if (job.repair !== null) {
    const sheet = readSheet(job.repair);
    if (!sheet.ok) return `${jobId}: ${sheet.error}`;
    const begun = await changeRepair(jobId, sheet.value, () => sheet.value);
    if (!begun.ok) return begun.error.message;
  }
  if (job.closing !== null) {
    const read = readClosing(job.closing);
    if (!read.ok) return `${jobId}: ${read.error}`;
    const handedOverAt = createdAt + HOUR_MS * Math.max(0, ...job.entries.map((e) => e.after_h));
    const closed = await changeClosing(jobId, () => ({ ...read.value, handedOverAt }));
    if (!closed.ok) return closed.error.message;
  }
  return null;
}

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
      const drives = job.drives.length + (job.trace === null ? 0 : 1);
      const entries = (await loadJob(id))?.entries.length ?? 0;
      if ((await loadJob(id)) && here.traces.length >= drives && entries >= drives + job.entries.length) continue;
      // One of several drives that was broken off in the middle begins anew.
      if (job.drives.length > 0) {
        const cleared = await deleteJob(id);
        if (!cleared.ok) return fail(cleared.error.message);
      }
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
      const wrong = await loadRest(job, createdAt);
      if (wrong !== null) return fail(wrong);
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
