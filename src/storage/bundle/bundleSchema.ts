import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { CHANNELS, fail, ok, type Result } from '@/core/base';
import { CLEANING_KINDS, type ReadOptions } from '@/core/formats';
import { JOB_STATES, type CompanionLog, type PlanRecord, type RecordingRecord, type VehicleRecord } from '../records';

/**
 * Kinds of job files, latest first: those written today, those with a stopwatch in the job and one choice for two jumps
 * of a clock, and those of the time before there was a chronicle.
 */
export const SCHEMAS = ['varmek-job/3', 'varmek-job/2', 'varmek-job/1'] as const;
export const [SCHEMA, , BEFORE_CHRONICLE] = SCHEMAS;

const text = () => string().default('').max(100_000);
const record = <T extends object>() =>
  mixed<T>((v): v is T => typeof v === 'object' && v !== null && !Array.isArray(v));

const optionsSchema = object({
  mapping: record<NonNullable<ReadOptions['mapping']>>().test('channels', 'mapping names an unknown channel', (value) =>
    Object.values(value ?? {}).every((c) => c.channel === 'time_s' || Object.hasOwn(CHANNELS, c.channel)),
  ),
  numbers: record<NonNullable<ReadOptions['numbers']>>(),
  otherwise: array(mixed<(typeof CLEANING_KINDS)[number]>().oneOf(CLEANING_KINDS).required()),
  // Of the older kinds only.
  leave: array(string().required()),
});

const secondSchema = object({
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
});

const watch = { runningSince: number().nullable().defined(), elapsed_s: number().min(0).required() };

const jobSchema = object({
  complaint: text(),
  state: mixed<(typeof JOB_STATES)[number]>().oneOf(JOB_STATES).required(),
  lookAgainOn: text(),
  conditions: text(),
  plan: record<PlanRecord>().nullable().default(null),
  createdAt: number().required(),
  // Of the second kind and before.
  stopwatch: object(watch).nullable().default(null),
  // Of the first kind only.
  answers: array(
    object({ itemId: string().required(), answer: number().required(), at: number().required(), detail: text() }),
  ),
  codes: array(object({ code: string().required(), freezeFrame: text() })),
  cold: record<Record<string, unknown>>().nullable(),
});

/** What job.json holds, of either kind. Entries are read one by one later, so that one odd entry spoils nothing. */
export const bundleSchema = object({
  schema: mixed<(typeof SCHEMAS)[number]>().oneOf(SCHEMAS).required(),
  job: jobSchema.required(),
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
  entries: array(record<Record<string, unknown>>().required('entries must hold objects only')),
  traces: array(
    object({
      id: string(),
      file: string().required(),
      fileName: string().required(),
      importedAt: number().required(),
      simulated: boolean().default(false),
      options: optionsSchema.required(),
      second: secondSchema.nullable().default(null),
    }),
  ).required(),
  photos: array(
    object({
      id: string(),
      file: string().required(),
      stage: text(),
      caption: text(),
      at: number().required(),
      type: text(),
    }),
  ).required(),
  recordings: array(
    object({
      id: string().required(),
      startedAt: number().required(),
      source: mixed<RecordingRecord['source']>().oneOf(['adapter', 'simulated adapter']).required(),
      rows: array(record<RecordingRecord['rows'][number]>().required()).required(),
      marks: array(record<RecordingRecord['marks'][number]>().required()).required(),
    }),
  ).default([]),
  runs: array(
    object({
      ...watch,
      procedure: string().required(),
      ended_s: record<Record<number, number>>()
        .required()
        .test('seconds', 'a run has times that are no numbers', (value) =>
          Object.values(value).every((s) => typeof s === 'number'),
        ),
      turns: record<Record<number, string>>().test('turns', 'a run goes on or again', (value) =>
        Object.values(value ?? {}).every((t) => t === 'again' || t === 'on'),
      ),
      readings: array(
        object({ at_s: number().required(), what: string().required(), value: number().nullable().default(null) }),
      ),
      seen_ms: number().nullable().optional(),
    }),
  ).default([]),
  repairs: array(
    object({
      startedAt: number().required(),
      updatedAt: number().required(),
      // Read one by one later, so that a strange sheet spoils nothing.
      sheet: record<Record<string, unknown>>().required(),
    }),
  ).default([]),
  closings: array(
    object({ updatedAt: number().required(), sheet: record<Record<string, unknown>>().required() }),
  ).default([]),
});

/** A bundle that fits the schema. */
export type ParsedBundle = InferType<typeof bundleSchema>;

/** Whether this version can open a file of this kind; a newer one says so. */
export function kindOf(value: unknown): Result<string, string> {
  const schema = typeof value === 'object' && value !== null ? (value as { schema?: unknown }).schema : undefined;
  const known = SCHEMAS.find((s) => s === schema);
  if (known) return ok(known);
  if (typeof schema === 'string' && /^varmek-job\/\d+$/.test(schema)) {
    return fail(`This job was saved by a newer Varmek (${schema}). Open it there, or update this one.`);
  }
  return fail('job.json is of another kind: this is no job of Varmek. To read a log, drop it on a job.');
}
