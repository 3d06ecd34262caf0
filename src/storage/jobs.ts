import { inOrder, readEntry, type Entry } from '@/core/case';
import type { Result } from '@/core/base';
import { moveToBin } from './bin';
import { database } from './database';
import { standingIn } from './jobStanding';
import type {
  EntryRecord,
  FindingRecord,
  JobRecord,
  JobStanding,
  PlanRecord,
  SummaryRecord,
  TraceRecord,
  VehicleRecord,
} from './records';
import { kept, type StorageError } from './storageError';
import { leaveNoJournal } from './journal/journalMiddleware';
import { deleteRowsOfJob, rowsOfJob, wholeJobTables } from './tables';
import { NO_VEHICLE_ID } from './vehicles';

/** Fields of a new job. */
export interface NewJob {
  readonly id?: string;
  readonly vehicleId: string;
  readonly complaint: string;
  readonly conditions?: string;
  readonly standing?: JobStanding;
  readonly plan?: JobRecord['plan'];
  readonly createdAt?: number;
}

/** A job's record from its fields. */
export function jobRecord(fields: NewJob): JobRecord {
  const now = fields.createdAt ?? Date.now();
  return {
    id: fields.id ?? crypto.randomUUID(),
    vehicleId: fields.vehicleId,
    complaint: fields.complaint,
    conditions: fields.conditions ?? '',
    plan: fields.plan ?? null,
    ...(fields.standing ?? { state: 'to-look-at' }),
    createdAt: now,
    updatedAt: now,
    revision: 0,
  };
}

/** Adds a job, with the first entries of its chronicle. */
export function addJob(
  fields: NewJob,
  entries: readonly Omit<EntryRecord, 'id' | 'jobId'>[] = [],
): Promise<Result<JobRecord, StorageError>> {
  const job = jobRecord(fields);
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, db.entries, async () => {
      await db.jobs.add(job);
      await db.entries.bulkAdd(
        entries.map((e) => ({ ...e, at: Number(e.at), id: crypto.randomUUID(), jobId: job.id })),
      );
      return job;
    }),
  );
}

/** Changes a text of a job, from what stands, and marks the job as touched. */
export function changeJobText(
  id: string,
  field: 'complaint' | 'conditions',
  to: (now: string) => string,
): Promise<Result<number, StorageError>> {
  return kept(() =>
    database()
      .jobs.where('id')
      .equals(id)
      .modify((job: { complaint: string; conditions: string; updatedAt: number }) => {
        job[field] = to(job[field]);
        job.updatedAt = Date.now();
      }),
  );
}

/**
 * Says where a job stands; the day to look again goes with any other state.
 *
 * @returns where it stood before, for undo; null for a job that is not here
 */
export function setStanding(id: string, standing: JobStanding): Promise<Result<JobStanding | null, StorageError>> {
  return kept(async () => {
    let before: JobStanding | null = null;
    await database().jobs.update(id, (job) => {
      before = standingIn(job);
      const changed: { state: string; lookAgainOn?: string } = job;
      delete changed.lookAgainOn;
      Object.assign(changed, standing, { updatedAt: Date.now() });
    });
    return before;
  });
}

/** Merges a change into a job's plan inside one transaction: two tabs and quick typing lose nothing. */
export function changePlan(
  id: string,
  first: PlanRecord,
  change: Partial<PlanRecord>,
): Promise<Result<PlanRecord, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.jobs, async () => {
      const plan = { ...((await db.jobs.get(id))?.plan ?? first), ...change };
      await db.jobs.update(id, { plan, updatedAt: Date.now() });
      return plan;
    }),
  );
}

/**
 * Says inside a transaction that what a job's odds follow from has changed, though nobody touched the job: the judge is
 * done with a trace, or its vehicle was changed. Its place in the list stays.
 */
export async function caseChanged(jobId: string): Promise<void> {
  await database()
    .jobs.where('id')
    .equals(jobId)
    .modify((job: { revision?: number }) => {
      job.revision = (job.revision ?? 0) + 1;
    });
}

/** Says inside a transaction that a person changed what a job's odds follow from. */
export async function touchCase(jobId: string): Promise<void> {
  await caseChanged(jobId);
  await database().jobs.update(jobId, { updatedAt: Date.now() });
}

/**
 * Deletes a job with everything that belongs to it into the bin, a copy of its vehicle beside.
 *
 * @returns its id in the bin, to put it back; null where it was not here
 */
export function deleteJob(id: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', [...wholeJobTables(db), db.vehicles, db.bin], async () => {
      const job = await db.jobs.get(id);
      if (!job) return null;
      const vehicle = await db.vehicles.get(job.vehicleId);
      const isBench = job.vehicleId === NO_VEHICLE_ID;
      const label = isBench ? job.complaint : `${vehicle?.plate ?? 'no vehicle'}: ${job.complaint}`;
      const rows = { ...(await rowsOfJob(id)), jobs: [job], vehicles: vehicle ? [vehicle] : [] };
      return moveToBin(isBench ? 'bench' : 'job', label, rows);
    }),
  );
}

/** Deletes a job with everything that belongs to it for good: for a disk too full for a copy of it in the bin. */
export function deleteJobForGood(id: string): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', wholeJobTables(db), async () => {
      // Steps to undo it would not fit either.
      leaveNoJournal();
      await deleteRowsOfJob(id);
      await db.jobs.delete(id);
    }),
  );
}

/** A job with what the list shows of it. */
export interface JobSummary {
  readonly job: JobRecord;
  readonly vehicle: VehicleRecord | undefined;
  readonly traces: number;
  /** Traces that wait for the judge. */
  readonly waiting: number;
  readonly summary: SummaryRecord | undefined;
}

/** How many of an index' keys each job has. */
async function countsBy(eachKey: (count: (key: unknown) => void) => Promise<void>): Promise<Map<string, number>> {
  const counts = new Map<string, number>();
  await eachKey((key) => counts.set(String(key), (counts.get(String(key)) ?? 0) + 1));
  return counts;
}

/** Every job with what the list shows, latest first: summaries and keys only, never whole traces or findings. */
export async function listJobs(): Promise<JobSummary[]> {
  const db = database();
  const [jobs, vehicles, summaries, traces, judged] = await Promise.all([
    db.jobs
      .orderBy('updatedAt')
      .reverse()
      .filter((job) => job.vehicleId !== NO_VEHICLE_ID)
      .toArray(),
    db.vehicles.toArray(),
    db.summaries.toArray(),
    countsBy((count) => db.traces.orderBy('jobId').eachKey(count)),
    countsBy((count) => db.findings.orderBy('jobId').eachKey(count)),
  ]);
  const vehicleById = new Map(vehicles.map((v) => [v.id, v]));
  const summaryById = new Map(summaries.map((s) => [s.jobId, s]));
  return jobs.map((job) => {
    const count = traces.get(job.id) ?? 0;
    return {
      job,
      vehicle: vehicleById.get(job.vehicleId),
      traces: count,
      waiting: count - (judged.get(job.id) ?? 0),
      summary: summaryById.get(job.id),
    };
  });
}

/** Keeps what the list shows of a job. */
export const putSummary = (summary: SummaryRecord): Promise<Result<string, StorageError>> =>
  kept(() => database().summaries.put(summary));

/** A job with its vehicle and its chronicle. */
export interface JobDetail {
  readonly job: JobRecord;
  readonly vehicle: VehicleRecord;
  /** Every entry, those taken back too. */
  readonly entries: readonly Entry[];
}

/** Entries of a job, read so that what this version does not understand stays whole. */
export async function loadEntries(jobId: string): Promise<Entry[]> {
  const records = await database().entries.where('jobId').equals(jobId).toArray();
  return inOrder(records.map(({ jobId: _job, ...record }) => readEntry(record, { id: record.id, at: record.at })));
}

/** Loads a job; null when it does not exist. */
export async function loadJob(id: string): Promise<JobDetail | null> {
  const db = database();
  const job = await db.jobs.get(id);
  const vehicle = job ? await db.vehicles.get(job.vehicleId) : undefined;
  return job && vehicle ? { job, vehicle, entries: await loadEntries(id) } : null;
}

/** A job's traces and findings. */
export interface JobDrives {
  /** Latest first. */
  readonly traces: readonly TraceRecord[];
  readonly findings: readonly FindingRecord[];
}

/** Loads a job's traces with their findings. */
export async function loadDrives(jobId: string): Promise<JobDrives> {
  const db = database();
  const [traces, findings] = await Promise.all([
    db.traces.where('jobId').equals(jobId).toArray(),
    db.findings.where('jobId').equals(jobId).toArray(),
  ]);
  return { traces: traces.sort((a, b) => b.importedAt - a.importedAt), findings };
}

/** Findings of a job alone: all that its odds need of the drives. */
export const loadFindings = (jobId: string): Promise<FindingRecord[]> =>
  database().findings.where('jobId').equals(jobId).toArray();
