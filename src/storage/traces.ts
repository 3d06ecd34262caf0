import { outsideGiven_c } from '@/core/case';
import type { Result, Trace } from '@/core/base';
import type { ImportReport, ReadOptions } from '@/core/formats';
import type { Finding } from '@/core/judge';
import { moveToBin } from './bin';
import { database } from './database';
import { caseChanged, loadEntries, touchCase } from './jobs';
import { leaveNoJournal } from './journal/journalMiddleware';
import type { EntryRecord, TraceRecord, VehicleRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Fields of a new trace. */
export interface NewTrace {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly fileName: string;
  readonly raw: Blob;
  readonly trace: Trace;
  readonly report: ImportReport;
  readonly options: ReadOptions;
  readonly companion?: TraceRecord['companion'];
  readonly simulated?: boolean;
  readonly importedAt?: number;
}

/** A trace's record from its fields. */
export const traceRecord = (fields: NewTrace): TraceRecord => ({
  ...fields,
  id: crypto.randomUUID(),
  importedAt: fields.importedAt ?? Date.now(),
  judging: { state: 'wanted' },
});

/** The entry of a trace in the chronicle. */
export const driveEntry = ({ id, jobId, importedAt }: TraceRecord): EntryRecord => ({
  ...{ id: crypto.randomUUID(), jobId, at: importedAt, kind: 'drive' },
  traceId: id,
  leftOut: '',
});

/** Keeps an imported trace, with the file as it came, and enters the drive in the chronicle. */
export function addTrace(fields: NewTrace): Promise<Result<TraceRecord, StorageError>> {
  const record = traceRecord(fields);
  const db = database();
  return kept(() =>
    db.transaction('rw', db.traces, db.entries, db.jobs, async () => {
      // Taken back whole, on its own screen.
      leaveNoJournal();
      await db.traces.add(record);
      await db.entries.add(driveEntry(record));
      await touchCase(fields.jobId);
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
    db.transaction('rw', db.traces, db.findings, db.jobs, async () => {
      const trace = await db.traces.get(id);
      await db.findings.delete(id);
      await db.traces.update(id, { ...reading, judging: { state: 'wanted' } });
      if (trace) await touchCase(trace.jobId);
    }),
  );
}

/** Takes a trace, its finding and its entries into the bin. @returns its id there; null where it was not here */
export function deleteTrace(id: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', [db.traces, db.findings, db.entries, db.jobs, db.bin], async () => {
      const trace = await db.traces.get(id);
      if (!trace) return null;
      const finding = await db.findings.get(id);
      const all = await db.entries.where('jobId').equals(trace.jobId).toArray();
      const entries = all.filter((e) => (e.kind === 'drive' || e.kind === 'mark') && e.traceId === id);
      const binId = await moveToBin('trace', trace.fileName, {
        traces: [trace],
        findings: finding ? [finding] : [],
        entries,
      });
      await touchCase(trace.jobId);
      return binId;
    }),
  );
}

/** What a judgement is made from beside the trace itself. */
export interface ToJudge {
  readonly trace: TraceRecord;
  readonly vehicle: VehicleRecord;
  /** Outside temperature that a person gave for this drive, °C. */
  readonly outside_c: number | null;
  readonly waiting: number;
}

const outsideOf = async (trace: TraceRecord): Promise<number | null> =>
  outsideGiven_c(await loadEntries(trace.jobId), trace.importedAt);

/**
 * Keeps the judgement of a trace, unless its vehicle, or the outside temperature given for it, has changed since the
 * judge took it up: then the trace goes on waiting and is judged again.
 */
export function putFinding(judged: ToJudge, finding: Finding): Promise<Result<void, StorageError>> {
  const { trace, vehicle, outside_c } = judged;
  const db = database();
  return kept(() =>
    db.transaction('rw', db.findings, db.traces, db.vehicles, db.entries, db.jobs, async () => {
      const now = await db.vehicles.get(vehicle.id);
      if (now?.updatedAt !== vehicle.updatedAt || (await outsideOf(trace)) !== outside_c) return;
      if (!(await db.traces.get(trace.id))) return;
      await db.findings.put({ traceId: trace.id, jobId: trace.jobId, judgedAt: Date.now(), finding });
      await db.traces.update(trace.id, { judging: { state: 'done' } });
      await caseChanged(trace.jobId);
    }),
  );
}

/** Says whether the judge should take a trace up. */
export function setJudging(traceId: string, judging: TraceRecord['judging']): Promise<Result<number, StorageError>> {
  return kept(() => database().traces.update(traceId, { judging }));
}

/** The oldest trace that waits for the judge, with what it is judged from; null when none does. */
export async function nextToJudge(): Promise<ToJudge | null> {
  const db = database();
  const wanted = db.traces.where('judging.state').equals('wanted');
  const ids = await wanted.primaryKeys();
  if (ids.length === 0) return null;
  const [trace] = await wanted.sortBy('importedAt');
  const vehicle = trace ? await db.vehicles.get(trace.vehicleId) : undefined;
  return trace && vehicle ? { trace, vehicle, outside_c: await outsideOf(trace), waiting: ids.length } : null;
}

const WANTED = { state: 'wanted' } as const;

/** Throws findings away that no version wrote, and has their traces judged again. */
export function judgeTracesAgain(traceIds: readonly string[]): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.findings, db.traces, db.jobs, async () => {
      await db.findings.bulkDelete([...traceIds]);
      const traces = (await db.traces.bulkGet([...traceIds])).filter((t) => t !== undefined);
      for (const { id } of traces) await db.traces.update(id, { judging: WANTED });
      for (const jobId of new Set(traces.map((t) => t.jobId))) await caseChanged(jobId);
    }),
  );
}

/**
 * Has every judged trace judged again, after the shop's own figures changed; the findings stay until then.
 * Call it in the transaction that changes them.
 */
export const judgeAll = (): Promise<number> =>
  database().traces.where('judging.state').equals('done').modify({ judging: WANTED });

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
