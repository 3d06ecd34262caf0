import type { Result, Trace } from '@/core/base';
import type { Finding } from '@/core/diagnosis';
import type { ImportReport, ReadOptions } from '@/core/formats';
import { database } from './database';
import type { FindingRecord, TraceRecord, VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Keeps an imported trace, with the file as it came. */
export function addTrace(fields: {
  jobId: string;
  vehicleId: string;
  fileName: string;
  raw: Blob;
  trace: Trace;
  report: ImportReport;
  options: ReadOptions;
  companion?: TraceRecord['companion'];
  importedAt?: number;
}): Promise<Result<TraceRecord, StorageError>> {
  const importedAt = fields.importedAt ?? Date.now();
  const record: TraceRecord = { ...fields, id: crypto.randomUUID(), importedAt, judging: { state: 'wanted' } };
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.jobs, async () => {
      await db.traces.add(record);
      await db.jobs.update(fields.jobId, { updatedAt: importedAt });
      return record;
    }),
  );
}

/** A trace with its file. */
export const loadTrace = (id: string): Promise<TraceRecord | undefined> => database().traces.get(id);

/** Replaces what was read from a file, or lies beside it, by another reading; the judge takes it up again. */
export function replaceReading(
  id: string,
  reading: Pick<TraceRecord, 'trace'> & Partial<Pick<TraceRecord, 'report' | 'options' | 'companion'>>,
): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.findings, async () => {
      await db.findings.delete(id);
      await db.traces.update(id, { ...reading, judging: { state: 'wanted' } });
    }),
  );
}

/** Takes a trace and its finding away; returns them for undo. */
export function deleteTrace(
  id: string,
): Promise<Result<{ trace: TraceRecord | undefined; finding: FindingRecord | undefined }, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.findings, async () => {
      const trace = await db.traces.get(id);
      const finding = await db.findings.get(id);
      await db.findings.delete(id);
      await db.traces.delete(id);
      return { trace, finding };
    }),
  );
}

/** Puts a deleted trace back. */
export function restoreTrace(deleted: {
  trace: TraceRecord | undefined;
  finding: FindingRecord | undefined;
}): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.findings, async () => {
      if (deleted.trace) await db.traces.put(deleted.trace);
      if (deleted.finding) await db.findings.put(deleted.finding);
    }),
  );
}

/**
 * Keeps the judgement of a trace, unless its vehicle has changed since the judge took it up: then the trace goes on
 * waiting and is judged again.
 */
export function putFinding(
  trace: TraceRecord,
  vehicle: VehicleRecord,
  finding: Finding,
): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.findings, db.traces, db.vehicles, async () => {
      const now = await db.vehicles.get(vehicle.id);
      if (now?.updatedAt !== vehicle.updatedAt) return;
      await db.findings.put({ traceId: trace.id, jobId: trace.jobId, judgedAt: Date.now(), finding });
      await db.traces.update(trace.id, { judging: { state: 'done' } });
    }),
  );
}

/** Says whether the judge should take a trace up. */
export function setJudging(traceId: string, judging: TraceRecord['judging']): Promise<Result<number, StorageError>> {
  return kept(() => database().traces.update(traceId, { judging }));
}

/** The oldest trace that waits for the judge, with its vehicle; null when none does. */
export async function nextToJudge(): Promise<{ trace: TraceRecord; vehicle: VehicleRecord; waiting: number } | null> {
  const db = database();
  const wanted = db.traces.where('judging.state').equals('wanted');
  const waiting = await wanted.count();
  if (waiting === 0) return null;
  const [trace] = await wanted.sortBy('importedAt');
  const vehicle = trace ? await db.vehicles.get(trace.vehicleId) : undefined;
  return trace && vehicle ? { trace, vehicle, waiting } : null;
}

/** Has every trace of a vehicle judged again, after its data or its memory changed. */
export function judgeAgain(vehicleId: string): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.findings, async () => {
      const ids = (await db.traces.where('vehicleId').equals(vehicleId).primaryKeys()) as string[];
      await db.findings.bulkDelete(ids);
      await db.traces
        .where('vehicleId')
        .equals(vehicleId)
        .modify({ judging: { state: 'wanted' } });
    }),
  );
}

/** Traces of a vehicle with their findings, latest first. */
export async function listVehicleTraces(
  vehicleId: string,
): Promise<{ readonly trace: TraceRecord; readonly finding: Finding | null }[]> {
  const db = database();
  const traces = await db.traces.where('vehicleId').equals(vehicleId).toArray();
  const findings = await db.findings.bulkGet(traces.map((t) => t.id));
  return traces
    .map((trace, i) => ({ trace, finding: findings[i]?.finding ?? null }))
    .sort((a, b) => b.trace.importedAt - a.trace.importedAt);
}
