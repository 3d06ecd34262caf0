import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { array, mixed, number, object, string, ValidationError } from 'yup';
import { CHANNELS, fail, ok, type Result } from '@/core/base';
import {
  CLEANING_KINDS,
  parseJson,
  parseVehicle,
  writeTrace,
  writeVehicleFile,
  type ReadOptions,
} from '@/core/formats';
import type { JobDetail } from './jobs';
import { readMemory } from './memoryFile';
import {
  JOB_STATES,
  NO_COLD_READINGS,
  type AnswerRecord,
  type CodeRecord,
  type CompanionLog,
  type ColdReadings,
  type JobRecord,
  type PhotoRecord,
  type PlanRecord,
  type ReplacedPart,
  type VehicleRecord,
} from './records';

/** Largest bundle opened, packed and unpacked, bytes. */
const LARGEST_PACKED = 200 * 1024 * 1024;
const LARGEST_UNPACKED = 600 * 1024 * 1024;

const SCHEMA = 'varmek-job/1';

/** A second log as it travels: its file, and where it lies. */
export type SecondFile = Pick<CompanionLog, 'fileName' | 'raw' | 'channels' | 'alignment'>;

/** A job as it travels: no ids, files beside it. */
export interface JobBundle {
  readonly job: Omit<JobRecord, 'id' | 'vehicleId' | 'updatedAt'>;
  readonly vehicle: Pick<
    VehicleRecord,
    'plate' | 'vehicle' | 'notes' | 'variant' | 'mileage_km' | 'senderPoints' | 'parts' | 'memory'
  >;
  readonly traces: readonly {
    readonly fileName: string;
    readonly importedAt: number;
    readonly options: ReadOptions;
    readonly raw: Blob;
    readonly second: SecondFile | null;
  }[];
  readonly photos: readonly Omit<PhotoRecord, 'id' | 'jobId'>[];
}

const two = (n: number): string => String(n).padStart(2, '0');
const safeName = (name: string): string => name.replace(/[^\p{L}\p{N}._ -]+/gu, '_').slice(-80);
const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());

/** Packs a job with its vehicle, logs as they came and as canonical CSV, and photos into a zip of readable files. */
export async function packJob(detail: JobDetail, photos: readonly PhotoRecord[]): Promise<Blob> {
  const files: Zippable = {};
  const traces = [];
  for (const [i, trace] of detail.traces.entries()) {
    const file = `logs/${two(i + 1)} ${safeName(trace.fileName)}`;
    files[file] = await bytesOf(trace.raw);
    files[`logs/${two(i + 1)} canonical.csv`] = strToU8(writeTrace(trace.trace));
    const { companion } = trace;
    const beside = companion ? `logs/${two(i + 1)} beside ${safeName(companion.fileName)}` : '';
    if (companion) files[beside] = await bytesOf(companion.raw);
    traces.push({
      file,
      fileName: trace.fileName,
      importedAt: trace.importedAt,
      options: trace.options,
      second: companion
        ? { file: beside, fileName: companion.fileName, channels: companion.channels, alignment: companion.alignment }
        : null,
    });
  }
  const pictures = [];
  for (const [i, photo] of photos.entries()) {
    const file = `photos/${two(i + 1)}.${photo.image.type.split('/')[1] ?? 'bin'}`;
    files[file] = await bytesOf(photo.image);
    pictures.push({ file, stage: photo.stage, caption: photo.caption, at: photo.at, type: photo.image.type });
  }
  const { complaint, state, lookAgainOn, answers, conditions, codes, cold, plan, stopwatch, createdAt } = detail.job;
  const { plate, vehicle, notes, variant, mileage_km, senderPoints, parts, memory } = detail.vehicle;
  const job = {
    schema: SCHEMA,
    job: { complaint, state, lookAgainOn, answers, conditions, codes, cold, plan, stopwatch, createdAt },
    vehicle: {
      plate,
      vehicle: { schema: 'varmek-vehicle/1', ...vehicle },
      notes,
      variant,
      mileage_km,
      senderPoints,
      parts,
      memory,
    },
    traces,
    photos: pictures,
  };
  files['job.json'] = strToU8(`${JSON.stringify(job, null, 2)}\n`);
  files['vehicle.json'] = strToU8(writeVehicleFile(vehicle));
  return new Blob([zipSync(files) as BlobPart], { type: 'application/zip' });
}

const text = () => string().default('').max(100_000);
const record = <T extends object>() =>
  mixed<T>((v): v is T => typeof v === 'object' && v !== null && !Array.isArray(v));

const optionsSchema = object({
  mapping: record<NonNullable<ReadOptions['mapping']>>().test('channels', 'mapping names an unknown channel', (value) =>
    Object.values(value ?? {}).every((c) => c.channel === 'time_s' || Object.hasOwn(CHANNELS, c.channel)),
  ),
  numbers: record<NonNullable<ReadOptions['numbers']>>(),
  leave: array(mixed<(typeof CLEANING_KINDS)[number]>().oneOf(CLEANING_KINDS).required()),
});

const bundleSchema = object({
  schema: mixed<typeof SCHEMA>().oneOf([SCHEMA], 'this is no job of Varmek').required('this is no job of Varmek'),
  job: object({
    complaint: text(),
    state: mixed<(typeof JOB_STATES)[number]>().oneOf(JOB_STATES).required(),
    lookAgainOn: text(),
    answers: array(
      object({ itemId: string().required(), answer: number().required(), at: number().required(), detail: text() }),
    ).required(),
    conditions: text(),
    codes: array(object({ code: string().required(), freezeFrame: text() })).required(),
    cold: record<ColdReadings>().nullable().default(null),
    plan: record<PlanRecord>().nullable().default(null),
    stopwatch: object({ runningSince: number().nullable().defined(), elapsed_s: number().min(0).required() })
      .nullable()
      .default(null),
    createdAt: number().required(),
  }).required(),
  vehicle: object({
    plate: string().required(),
    vehicle: mixed().required(),
    notes: text(),
    variant: text(),
    mileage_km: number().nullable().default(null),
    senderPoints: array(record<VehicleRecord['senderPoints'][number]>().required()).default([]),
    parts: array(object({ part: string().required(), when: text(), detail: text() })).default([]),
    memory: mixed().nullable(),
  }).required(),
  traces: array(
    object({
      file: string().required(),
      fileName: string().required(),
      importedAt: number().required(),
      options: optionsSchema.required(),
      second: object({
        file: string().required(),
        fileName: string().required(),
        channels: record<CompanionLog['channels']>()
          .required()
          .test('channels', 'a second log names an unknown channel', (value) =>
            Object.values(value).every((c) => Object.hasOwn(CHANNELS, c)),
          ),
        alignment: object({
          offset_s: number().required(),
          by: mixed<'clock' | 'curve' | 'hand'>().oneOf(['clock', 'curve', 'hand']).required(),
          match: number().required(),
        }).required(),
      })
        .nullable()
        .default(null),
    }),
  ).required(),
  photos: array(
    object({ file: string().required(), stage: text(), caption: text(), at: number().required(), type: text() }),
  ).required(),
});

function unpack(bytes: Uint8Array): Result<Record<string, Uint8Array>, string> {
  let total = 0;
  try {
    return ok(
      unzipSync(bytes, {
        filter: ({ originalSize }) => {
          total += originalSize;
          if (total > LARGEST_UNPACKED) throw new Error('it unpacks to more than any job holds');
          return true;
        },
      }),
    );
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fail(`This job file cannot be opened: ${why}. Save it again where it came from.`);
  }
}

/** Opens a packed job. @returns the job, or what is wrong with the file and where */
export async function unpackJob(file: Blob): Promise<Result<JobBundle, string>> {
  if (file.size > LARGEST_PACKED) return fail('This job file is larger than 200 MB. Save the job without its photos.');
  const files = unpack(await bytesOf(file));
  if (!files.ok) return files;
  const main = files.value['job.json'];
  if (!main) return fail('This zip holds no job.json: it is no job of Varmek. To read a log, drop it on a job.');
  const json = parseJson(strFromU8(main));
  if (!json.ok) return fail(`job.json: ${json.error.message}`);
  if (!object({ schema: bundleSchema.fields.schema }).isValidSync(json.value)) {
    return fail('job.json is of another kind: this is no job of Varmek. To read a log, drop it on a job.');
  }
  try {
    const parsed = bundleSchema.validateSync(json.value);
    const vehicle = parseVehicle(parsed.vehicle.vehicle);
    if (!vehicle.ok) return fail(`job.json: ${vehicle.error.message}`);
    const seconds = parsed.traces.flatMap((t) => (t.second ? [t.second] : []));
    const missing = [...parsed.traces, ...seconds, ...parsed.photos].find((t) => !files.value[t.file]);
    if (missing) return fail(`${missing.file} is missing in this job file. Save it again where it came from.`);
    const blob = (name: string, type: string): Blob => new Blob([files.value[name]! as BlobPart], { type });
    return ok({
      job: {
        ...parsed.job,
        answers: parsed.job.answers as AnswerRecord[],
        codes: parsed.job.codes as CodeRecord[],
        cold: parsed.job.cold ? { ...NO_COLD_READINGS, ...parsed.job.cold } : null,
      },
      vehicle: {
        ...parsed.vehicle,
        parts: parsed.vehicle.parts as ReplacedPart[],
        vehicle: vehicle.value,
        memory: readMemory(parsed.vehicle.memory),
      },
      traces: parsed.traces.map((t) => ({
        fileName: t.fileName,
        importedAt: t.importedAt,
        options: plainOptions(t.options as ReadOptions),
        raw: blob(t.file, ''),
        second: t.second && {
          fileName: t.second.fileName,
          raw: blob(t.second.file, ''),
          channels: t.second.channels,
          alignment: t.second.alignment,
        },
      })),
      photos: parsed.photos.map(({ file: name, stage, caption, at, type }) => ({
        stage,
        caption,
        at,
        image: blob(name, type),
      })),
    });
  } catch (error) {
    if (error instanceof ValidationError) return fail(`job.json: ${error.errors.join('; ')}.`);
    throw error;
  }
}

/** Options without the fields that were not given. */
function plainOptions({ mapping, numbers, leave }: ReadOptions): ReadOptions {
  return { ...(mapping ? { mapping } : {}), ...(numbers ? { numbers } : {}), ...(leave ? { leave } : {}) };
}
