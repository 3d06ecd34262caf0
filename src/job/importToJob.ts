import { fail, type Result } from '@/core/base';
import type { ReadTrace } from '@/core/formats';
import { addJob } from '@/storage/jobs';
import { addTrace } from '@/storage/traces';
import type { TraceRecord } from '@/storage/records';
import type { StorageError } from '@/storage/storageError';
import { importInWorker } from '@/workers/client';

/** Where a log belongs. */
export interface LogPlace {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly fileName: string;
  readonly simulated?: boolean;
  readonly importedAt?: number;
}

/** What is kept of a log that was read. */
export type KeptReading = Pick<ReadTrace, 'trace' | 'report' | 'options'>;

/** Keeps a log that was read, with a copy of its file: the file itself may be gone from its disk tomorrow. */
export async function keepLog(
  place: LogPlace,
  file: Blob,
  { trace, report, options }: KeptReading,
): Promise<Result<TraceRecord, StorageError>> {
  const raw = new Blob([await file.arrayBuffer()], { type: file.type || 'text/csv' });
  return addTrace({ ...place, raw, trace, report, options });
}

/** Reads a log and keeps it on its job. */
export async function importToJob(place: LogPlace, file: Blob): Promise<Result<TraceRecord, { message: string }>> {
  const read = await importInWorker(file);
  return read.ok ? keepLog(place, file, read.value) : fail(read.error);
}

/** Opens a job on a log of a batch. @returns the job's id */
export async function jobFromLog(
  place: Omit<LogPlace, 'jobId'>,
  file: Blob,
  read: KeptReading,
): Promise<Result<string, StorageError>> {
  const job = await addJob({ vehicleId: place.vehicleId, complaint: `Log ${place.fileName}` });
  if (!job.ok) return job;
  const kept = await keepLog({ ...place, jobId: job.value.id }, file, read);
  return kept.ok ? { ok: true, value: job.value.id } : kept;
}
