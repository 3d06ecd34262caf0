import { array, mixed, number, object, string } from 'yup';
import { fail, ok, type Result } from '@/core/base';
import { readClosing } from '@/core/closing';
import { parseVehicle } from '@/core/formats';
import { readSheet } from '@/core/repair';
import type { KeptReading } from '@/job/importToJob';
import { changeClosing } from '@/storage/closings';
import { addEntry, type NewEntry } from '@/storage/entries';
import { standingOf } from '@/storage/jobStanding';
import { database } from '@/storage/database';
import { addJob, loadJob } from '@/storage/jobs';
import { JOB_STATES } from '@/storage/records';
import { changeRepair } from '@/storage/repairs';
import { markDemoLoaded } from '@/storage/settings';
import type { StorageError } from '@/storage/storageError';
import { addTrace } from '@/storage/traces';
import { addVehicle, loadVehicle } from '@/storage/vehicles';
import { importInWorker } from '@/workers/client';

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

/** A log that was read, before it is kept. */
interface ReadLog extends KeptReading {
  readonly file: string;
  readonly raw: Blob;
}

/** Reads a log of the demo with the import of a user's file. */
async function readShipped(file: string): Promise<ReadLog> {
  const raw = new Blob([await (await fetchShipped(file)).arrayBuffer()], { type: 'text/csv' });
  const read = await importInWorker(raw);
  if (!read.ok) throw new Error(`${file}: ${read.error.message}`);
  return { ...read.value, file, raw };
}

/** The value of a write that went well; else it throws, so that all that is written with it is not there either. */
function done<T>(result: Result<T, StorageError>): T {
  if (!result.ok) throw new Error(result.error.message);
  return result.value;
}

/** The value of a sheet that could be read. */
function readable<T>(jobId: string, read: Result<T, string>): T {
  if (!read.ok) throw new Error(`${jobId}: ${read.error}`);
  return read.value;
}

/** Keeps a job with its drives, entries and papers, its logs having been read. */
async function keepJob(job: DemoJob, logs: readonly ReadLog[]): Promise<void> {
  const { id: jobId, vehicle: vehicleId, complaint } = job;
  const createdAt = Date.now() - job.daysAgo * DAY_MS;
  done(
    await addJob({ id: jobId, vehicleId, complaint, standing: standingOf(job.state, null, createdAt), createdAt }, [
      ...job.answers.map((item) => ({ kind: 'statement', at: createdAt, item, answer: 'yes' })),
      ...job.bench.map((test, i) => ({
        ...{ kind: 'bench', at: createdAt + HOUR_MS + i, item: '', answer: '', part: 'old', text: '' },
        test,
      })),
    ]),
  );
  const traceIds = new Map<string, string>();
  for (const { file, raw, trace, report, options } of logs) {
    const hours = job.drives.find((d) => d.file === file)?.after_h;
    const importedAt = createdAt + (hours === undefined ? 1 : HOUR_MS * hours);
    const fields = { jobId, vehicleId, fileName: file, raw, trace, report, options, importedAt };
    traceIds.set(file, done(await addTrace(fields)).id);
  }
  for (const entry of job.entries) done(await addEntry(jobId, entryAt(entry, createdAt, traceIds)));
  if (job.repair !== null) {
    const sheet = readable(jobId, readSheet(job.repair));
    done(await changeRepair(jobId, sheet, () => sheet));
  }
  if (job.closing !== null) {
    const sheet = readable(jobId, readClosing(job.closing));
    const handedOverAt = createdAt + HOUR_MS * Math.max(0, ...job.entries.map((e) => e.after_h));
    done(await changeClosing(jobId, () => ({ ...sheet, handedOverAt })));
  }
}

/**
 * Loads one job. It comes whole or not at all: what stands of it belongs to whoever works on it, and a load that is taken
 * up again never touches it.
 */
async function loadDemoJob(job: DemoJob): Promise<void> {
  if (await loadJob(job.id)) return;
  const logs: ReadLog[] = [];
  for (const file of [...job.drives.map((d) => d.file), ...(job.trace === null ? [] : [job.trace])])
    logs.push(await readShipped(file));
  const db = database();
  await db.transaction('rw', db.tables, async () => {
    // Another tab may have been quicker.
    if (!(await loadJob(job.id))) await keepJob(job, logs);
  });
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
      const db = database();
      // What is here stays: a load is taken up after a reload, and two tabs may load at once.
      await db.transaction('rw', db.vehicles, async () => {
        if (!(await loadVehicle(entry.id))) done(await addVehicle({ ...entry, vehicle: vehicle.value }));
      });
    }
    for (const job of garage.jobs) await loadDemoJob(job);
    await markDemoLoaded();
    return ok(undefined);
  } catch (error) {
    return fail(error instanceof Error ? error.message : String(error));
  }
}
