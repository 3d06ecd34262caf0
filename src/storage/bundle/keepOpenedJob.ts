import type { Result, Trace } from '@/core/base';
import type { ImportReport } from '@/core/formats';
import { database } from '../database';
import { jobRecord } from '../jobs';
import { runId, type CompanionLog, type EntryRecord, type TraceRecord } from '../records';
import { kept, type StorageError } from '../storageError';
import { putRowsOfJob, wholeJobTables, type JobRows } from '../tables';
import { traceRecord } from '../traces';
import { vehicleRecord } from '../vehicles';
import type { JobBundle, TravellingTrace } from './jobBundle';

/** A travelling log, read again. */
export interface OpenedTrace extends Omit<TravellingTrace, 'second'> {
  readonly trace: Trace;
  readonly report: ImportReport;
  readonly companion: CompanionLog | null;
}

/** An entry as it stands here: with an id of its own, speaking of the traces and photos under their new ids. */
function settled(entry: Omit<EntryRecord, 'jobId'>, jobId: string, ids: ReadonlyMap<string, string>): EntryRecord {
  const renamed = (field: string) => {
    const id = entry[field];
    return typeof id === 'string' ? { [field]: ids.get(id) ?? id } : {};
  };
  return {
    ...entry,
    ...renamed('traceId'),
    ...renamed('beforeId'),
    ...renamed('photoId'),
    at: Number(entry.at),
    id: crypto.randomUUID(),
    jobId,
  };
}

/** A repair's sheet that speaks of its photos under their new ids. */
function withPhotos(sheet: unknown, ids: ReadonlyMap<string, string>): unknown {
  if (Array.isArray(sheet)) return sheet.map((v) => withPhotos(v, ids));
  if (typeof sheet !== 'object' || sheet === null) return sheet;
  return Object.fromEntries(
    Object.entries(sheet).map(([k, v]) => [
      k,
      k === 'photoId' && typeof v === 'string' ? (ids.get(v) ?? v) : withPhotos(v, ids),
    ]),
  );
}

/**
 * Keeps an opened job in one transaction: its vehicle where it is not here yet, the job, and every row that travels.
 *
 * @param here id of the vehicle where it is here already
 * @returns the id of the job
 */
export function keepOpenedJob(
  bundle: JobBundle,
  opened: readonly OpenedTrace[],
  here: string | null,
): Promise<Result<string, StorageError>> {
  const db = database();
  const vehicle = here === null ? vehicleRecord(bundle.vehicle) : null;
  const vehicleId = here ?? vehicle!.id;
  const job = jobRecord({ ...bundle.job, vehicleId });
  const ids = new Map<string, string>();
  const traces = opened.map(({ id, ...fields }): TraceRecord => {
    const record = traceRecord({ ...fields, jobId: job.id, vehicleId });
    ids.set(id, record.id);
    return record;
  });
  const photos = bundle.photos.map((photo) => {
    const id = crypto.randomUUID();
    ids.set(photo.id, id);
    return { ...photo, id, jobId: job.id };
  });
  const rows: JobRows = {
    entries: bundle.entries.map((e) => settled(e, job.id, ids)),
    traces,
    photos,
    recordings: bundle.recordings.map((r) => ({ ...r, id: crypto.randomUUID(), jobId: job.id })),
    runs: bundle.runs.map((r) => ({ ...r, id: runId(job.id, r.procedure), jobId: job.id })),
    repairs: bundle.repairs.map((r) => ({
      ...r,
      id: crypto.randomUUID(),
      jobId: job.id,
      sheet: withPhotos(r.sheet, ids),
    })),
    // One per job.
    closings: bundle.closings.slice(-1).map((c) => ({ ...c, id: job.id, jobId: job.id })),
    findings: [],
    summaries: [],
  };
  return kept(() =>
    db.transaction('rw', [db.vehicles, ...wholeJobTables(db)], async () => {
      if (vehicle) await db.vehicles.add(vehicle);
      await db.jobs.add(job);
      await putRowsOfJob(rows);
      return job.id;
    }),
  );
}
