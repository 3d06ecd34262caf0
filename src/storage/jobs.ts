import type { Result } from '@/core/base';
import { database } from './database';
import {
  NO_COLD_READINGS,
  type AnswerRecord,
  type CodeRecord,
  type ColdReadings,
  type FindingRecord,
  type JobRecord,
  type JobState,
  type PhotoRecord,
  type TraceRecord,
  type VehicleRecord,
} from './records';
import { kept, type StorageError } from './storageError';

/** A job with what the list shows of it. */
export interface JobSummary {
  readonly job: JobRecord;
  readonly vehicle: VehicleRecord | undefined;
  readonly traces: number;
  readonly finding: FindingRecord | undefined;
}

/** Adds a job. */
export function addJob(fields: {
  id?: string;
  vehicleId: string;
  complaint: string;
  state?: JobState;
  createdAt?: number;
  answers?: readonly AnswerRecord[];
  conditions?: string;
  codes?: readonly CodeRecord[];
}): Promise<Result<JobRecord, StorageError>> {
  const now = fields.createdAt ?? Date.now();
  const job: JobRecord = {
    id: fields.id ?? crypto.randomUUID(),
    vehicleId: fields.vehicleId,
    complaint: fields.complaint,
    state: fields.state ?? 'to-look-at',
    lookAgainOn: '',
    answers: fields.answers ?? [],
    conditions: fields.conditions ?? '',
    codes: fields.codes ?? [],
    cold: null,
    plan: null,
    stopwatch: null,
    createdAt: now,
    updatedAt: now,
  };
  return kept(async () => {
    await database().jobs.add(job);
    return job;
  });
}

/** Changes fields of a job and marks it as touched. */
export function updateJob(
  id: string,
  change: Partial<Omit<JobRecord, 'id' | 'createdAt'>>,
): Promise<Result<number, StorageError>> {
  return kept(() => database().jobs.update(id, { ...change, updatedAt: Date.now() }));
}

/** Merges readings into the cold look inside one transaction, so that quick typing in two fields loses nothing. */
export function updateCold(id: string, change: Partial<ColdReadings>): Promise<Result<ColdReadings, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, async () => {
      const cold = { ...NO_COLD_READINGS, ...(await db.jobs.get(id))?.cold, ...change };
      await db.jobs.update(id, { cold, updatedAt: Date.now() });
      return cold;
    }),
  );
}

/** A deleted job with all that belonged to it. */
export interface DeletedJob {
  readonly job: JobRecord | undefined;
  readonly traces: TraceRecord[];
  readonly findings: FindingRecord[];
  readonly photos: PhotoRecord[];
}

/** Deletes a job with its traces and findings; returns what was deleted, so that it can be put back. */
export function deleteJob(id: string): Promise<Result<DeletedJob, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, db.traces, db.findings, db.photos, async () => {
      const job = await db.jobs.get(id);
      const traces = await db.traces.where('jobId').equals(id).toArray();
      const findings = await db.findings.where('jobId').equals(id).toArray();
      await db.findings.where('jobId').equals(id).delete();
      await db.traces.where('jobId').equals(id).delete();
      const photos = await db.photos.where('jobId').equals(id).toArray();
      await db.photos.where('jobId').equals(id).delete();
      await db.jobs.delete(id);
      return { job, traces, findings, photos };
    }),
  );
}

/** Puts a deleted job back. */
export function restoreJob(deleted: DeletedJob): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, db.traces, db.findings, db.photos, async () => {
      if (deleted.job) await db.jobs.put(deleted.job);
      await db.traces.bulkPut(deleted.traces);
      await db.findings.bulkPut(deleted.findings);
      await db.photos.bulkPut(deleted.photos);
    }),
  );
}

/** Every job with what the list shows, latest first. */
export async function listJobs(): Promise<JobSummary[]> {
  const db = database();
  const [jobs, vehicles, findings] = await Promise.all([
    db.jobs.orderBy('updatedAt').reverse().toArray(),
    db.vehicles.toArray(),
    db.findings.toArray(),
  ]);
  const counts = new Map<string, number>();
  await db.traces.orderBy('jobId').eachKey((key) => {
    counts.set(String(key), (counts.get(String(key)) ?? 0) + 1);
  });
  return jobs.map((job) => ({
    job,
    vehicle: vehicles.find((v) => v.id === job.vehicleId),
    traces: counts.get(job.id) ?? 0,
    finding: findings.filter((f) => f.jobId === job.id).sort((a, b) => b.judgedAt - a.judgedAt)[0],
  }));
}

/** A job with everything its screens show. */
export interface JobDetail {
  readonly job: JobRecord;
  readonly vehicle: VehicleRecord;
  /** Latest first. */
  readonly traces: TraceRecord[];
  readonly findings: FindingRecord[];
}

/** Loads a job; null when it does not exist. */
export async function loadJob(id: string): Promise<JobDetail | null> {
  const db = database();
  const job = await db.jobs.get(id);
  const vehicle = job ? await db.vehicles.get(job.vehicleId) : undefined;
  if (!job || !vehicle) return null;
  const [traces, findings] = await Promise.all([
    db.traces.where('jobId').equals(id).toArray(),
    db.findings.where('jobId').equals(id).toArray(),
  ]);
  return { job, vehicle, traces: traces.sort((a, b) => b.importedAt - a.importedAt), findings };
}
