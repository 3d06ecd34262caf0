import type { Result, Vehicle } from '@/core/base';
import { database } from './database';
import { jobRecord, touchCase } from './jobs';
import type { EntryRecord, JobRecord } from './records';
import { kept, type StorageError } from './storageError';
import { deleteRowsOfJob, wholeJobTables } from './tables';
import { NO_VEHICLE_ID, vehicleRecord } from './vehicles';

/** A bench test without a job: a job of its own on no vehicle, whose entries move to a real job later. */
export interface LooseBench {
  readonly job: JobRecord;
  readonly entries: readonly EntryRecord[];
}

/** True for a job that is a bench test without a vehicle. */
export const isLooseBench = (job: Pick<JobRecord, 'vehicleId'>): boolean => job.vehicleId === NO_VEHICLE_ID;

/** Begins a bench test without a job. @param vehicle figures to begin with, of no car */
export function addLooseBench(label: string, vehicle: Vehicle): Promise<Result<JobRecord, StorageError>> {
  const db = database();
  const job = jobRecord({ vehicleId: NO_VEHICLE_ID, complaint: label });
  return kept(() =>
    db.transaction('rw', db.jobs, db.vehicles, async () => {
      if (!(await db.vehicles.get(NO_VEHICLE_ID))) {
        await db.vehicles.add(vehicleRecord({ id: NO_VEHICLE_ID, plate: 'Bench', vehicle }));
      }
      await db.jobs.add(job);
      return job;
    }),
  );
}

/** Bench tests without a job, latest first. */
export async function listLooseBenches(): Promise<LooseBench[]> {
  const db = database();
  const jobs = await db.jobs.where('vehicleId').equals(NO_VEHICLE_ID).toArray();
  jobs.sort((a, b) => b.updatedAt - a.updatedAt);
  return Promise.all(
    jobs.map(async (job) => ({ job, entries: await db.entries.where('jobId').equals(job.id).toArray() })),
  );
}

/** What was moved to a job, so that it can be moved back. */
export interface Attached {
  readonly bench: JobRecord;
  readonly toJobId: string;
  /** Rows that moved, by table. */
  readonly moved: Readonly<Record<string, readonly string[]>>;
}

/** Tables whose rows move with a bench test: what was entered and photographed, not what is worked out anew. */
const MOVING = ['entries', 'photos'] as const;

/**
 * Moves everything of a bench test into a job, each entry at its own time, and removes the bench test.
 *
 * @returns null where the job or the bench test is not here any more
 */
export function attachBench(benchId: string, toJobId: string): Promise<Result<Attached | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', wholeJobTables(db), async () => {
      const bench = await db.jobs.get(benchId);
      if (!bench || !(await db.jobs.get(toJobId))) return null;
      const moved: Record<string, string[]> = {};
      for (const name of MOVING) {
        moved[name] = (await db.table(name).where('jobId').equals(benchId).primaryKeys()) as string[];
        await db.table(name).where('jobId').equals(benchId).modify({ jobId: toJobId });
      }
      // What is left is the clock of the pot and the summary: both are the bench's own.
      await deleteRowsOfJob(benchId);
      await db.jobs.delete(benchId);
      await touchCase(toJobId);
      return { bench, toJobId, moved };
    }),
  );
}

/** Moves a bench test out of a job again. */
export function detachBench({ bench, toJobId, moved }: Attached): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', wholeJobTables(db), async () => {
      await db.jobs.put(bench);
      for (const [name, ids] of Object.entries(moved)) {
        await db
          .table(name)
          .where('jobId')
          .equals(toJobId)
          .filter((row: { id: string }) => ids.includes(row.id))
          .modify({ jobId: bench.id });
      }
      await touchCase(toJobId);
    }),
  );
}
