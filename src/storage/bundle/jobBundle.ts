import { strFromU8, strToU8 } from 'fflate';
import { ValidationError } from 'yup';
import { fail, ok, type Result } from '@/core/base';
import { parseJson, parseVehicle, writeVehicleFile, type ReadOptions } from '@/core/formats';
import { readMemory } from '../memoryFile';
import { standingIn, standingOf } from '../jobStanding';
import { entriesOfOldJob, type OldJob } from '../migrations/oldJob';
import { choicesOf } from '../migrations/oldOptions';
import type {
  ClosingRecord,
  CompanionLog,
  EntryRecord,
  JobRecord,
  JobStanding,
  PhotoRecord,
  RecordingRecord,
  RepairRecord,
  RunRecord,
  VehicleRecord,
} from '../records';
import type { JobRows } from '../tables';
import { BEFORE_CHRONICLE, bundleSchema, kindOf, SCHEMA, type ParsedBundle } from './bundleSchema';
import { packPhotos, packTraces } from './packFiles';
import { unzipped, zipped, type Files } from './zipFile';

/** A second log as it travels: its file, and where it lies. */
export type SecondFile = Pick<CompanionLog, 'fileName' | 'raw' | 'channels' | 'alignment'>;

/** A logged drive as it travels. */
export interface TravellingTrace {
  /** Its id where it came from: entries speak of it. */
  readonly id: string;
  readonly fileName: string;
  readonly importedAt: number;
  readonly options: ReadOptions;
  readonly simulated: boolean;
  readonly raw: Blob;
  readonly second: SecondFile | null;
}

/** Fields of a job that travel. */
const JOB_FIELDS = ['complaint', 'conditions', 'plan', 'createdAt'] as const satisfies readonly (keyof JobRecord)[];

/** Fields of a vehicle that travel. */
const VEHICLE_FIELDS = [
  'plate',
  'vehicle',
  'notes',
  'variant',
  'mileage_km',
  'senderPoints',
  'parts',
  'memory',
] as const satisfies readonly (keyof VehicleRecord)[];

/** A job as it travels: files beside it. */
export interface JobBundle {
  readonly job: Pick<JobRecord, (typeof JOB_FIELDS)[number]> & { readonly standing: JobStanding };
  readonly vehicle: Pick<VehicleRecord, (typeof VEHICLE_FIELDS)[number]>;
  readonly entries: readonly Omit<EntryRecord, 'jobId'>[];
  readonly traces: readonly TravellingTrace[];
  readonly photos: readonly Omit<PhotoRecord, 'jobId'>[];
  readonly recordings: readonly Omit<RecordingRecord, 'jobId'>[];
  readonly runs: readonly Omit<RunRecord, 'jobId' | 'id'>[];
  readonly repairs: readonly Omit<RepairRecord, 'jobId' | 'id'>[];
  readonly closings: readonly Omit<ClosingRecord, 'jobId' | 'id'>[];
}

const pick = <T extends object, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> =>
  Object.fromEntries(keys.map((k) => [k, from[k]])) as Pick<T, K>;

const withoutJob = <T extends { readonly jobId: string }>(rows: readonly T[]) =>
  rows.map(({ jobId: _jobId, ...rest }) => rest);

/** Packs a job with its vehicle, chronicle, logs as they came and as canonical CSV, and photos into readable files. */
export async function packJob(job: JobRecord, vehicle: VehicleRecord, rows: JobRows): Promise<Blob> {
  const files: Files = {};
  const main = {
    schema: SCHEMA,
    job: { ...pick(job, JOB_FIELDS), ...standingIn(job) },
    vehicle: { ...pick(vehicle, VEHICLE_FIELDS), vehicle: { schema: 'varmek-vehicle/1', ...vehicle.vehicle } },
    entries: withoutJob(rows.entries),
    traces: await packTraces(rows.traces, files),
    photos: await packPhotos(rows.photos, files),
    recordings: withoutJob(rows.recordings),
    runs: withoutJob(rows.runs).map(({ id: _id, ...run }) => run),
    repairs: withoutJob(rows.repairs).map(({ id: _id, ...repair }) => repair),
    closings: withoutJob(rows.closings).map(({ id: _id, ...closing }) => closing),
  };
  files['job.json'] = strToU8(`${JSON.stringify(main, null, 2)}\n`);
  files['vehicle.json'] = strToU8(writeVehicleFile(vehicle.vehicle));
  return zipped(files);
}

/** Options without the fields that were not given. */
function plainOptions({ mapping, numbers, otherwise }: ReadOptions): ReadOptions {
  return { ...(mapping ? { mapping } : {}), ...(numbers ? { numbers } : {}), ...(otherwise ? { otherwise } : {}) };
}

/** Entries of a bundle; those of the old kind are made from the job's fields, each of its logs is a drive. */
function entriesOf(parsed: ParsedBundle, traces: readonly TravellingTrace[]): JobBundle['entries'] {
  if (parsed.schema !== BEFORE_CHRONICLE) {
    const { createdAt } = parsed.job;
    return (parsed.entries ?? []).map((e) => ({
      ...e,
      id: typeof e.id === 'string' ? e.id : crypto.randomUUID(),
      at: typeof e.at === 'number' && Number.isFinite(e.at) ? e.at : createdAt,
    }));
  }
  const drives = traces.map((t) => ({ kind: 'drive', at: t.importedAt, traceId: t.id, leftOut: '' }));
  return [...entriesOfOldJob(parsed.job as unknown as OldJob), ...drives].map((e) => ({
    ...e,
    id: crypto.randomUUID(),
  }));
}

function bundleOf(parsed: ParsedBundle, files: Readonly<Record<string, Uint8Array>>): Result<JobBundle, string> {
  const vehicle = parseVehicle(parsed.vehicle.vehicle);
  if (!vehicle.ok) return fail(`job.json: ${vehicle.error.message}`);
  const seconds = parsed.traces.flatMap((t) => (t.second ? [t.second] : []));
  const missing = [...parsed.traces, ...seconds, ...parsed.photos].find((t) => !files[t.file]);
  if (missing) return fail(`${missing.file} is missing in this job file. Save it again where it came from.`);
  const blob = (name: string, type: string): Blob => new Blob([files[name]! as BlobPart], { type });
  const traces = parsed.traces.map((t, i): TravellingTrace => {
    const { fileName, importedAt, simulated, second } = t;
    return {
      ...{ fileName, importedAt, simulated },
      id: t.id ?? `trace-${i}`,
      options: plainOptions(choicesOf(t.options as ReadOptions)),
      raw: blob(t.file, ''),
      second: second && {
        ...{ fileName: second.fileName, channels: second.channels, alignment: second.alignment },
        raw: blob(second.file, ''),
      },
    };
  });
  const { complaint, conditions, state, lookAgainOn, plan, stopwatch, createdAt } = parsed.job;
  const standing = standingOf(state, lookAgainOn, createdAt);
  const runs = parsed.runs as JobBundle['runs'];
  return ok({
    job: { complaint, conditions, standing, plan, createdAt },
    vehicle: {
      ...parsed.vehicle,
      parts: parsed.vehicle.parts as VehicleRecord['parts'],
      vehicle: vehicle.value,
      memory: readMemory(parsed.vehicle.memory),
    },
    entries: entriesOf(parsed, traces),
    traces,
    photos: parsed.photos.map(({ file, stage, caption, at, type, id }) => ({
      ...{ stage, caption, at },
      id: id ?? crypto.randomUUID(),
      image: blob(file, type),
    })),
    recordings: parsed.recordings,
    runs: stopwatch ? [{ procedure: 'drive', ...stopwatch, ended_s: {} }, ...runs] : runs,
    repairs: parsed.repairs,
    closings: parsed.closings,
  });
}

/** Opens a packed job. @returns the job, or what is wrong with the file and where */
export async function unpackJob(file: Blob): Promise<Result<JobBundle, string>> {
  const files = await unzipped(file);
  if (!files.ok) return files;
  const main = files.value['job.json'];
  if (!main) return fail('This zip holds no job.json: it is no job of Varmek. To read a log, drop it on a job.');
  const json = parseJson(strFromU8(main));
  if (!json.ok) return fail(`job.json: ${json.error.message}`);
  const kind = kindOf(json.value);
  if (!kind.ok) return kind;
  try {
    return bundleOf(bundleSchema.validateSync(json.value) as ParsedBundle, files.value);
  } catch (error) {
    if (error instanceof ValidationError) return fail(`job.json: ${error.errors.join('; ')}.`);
    throw error;
  }
}
