import * as Comlink from 'comlink';
import { type Result, type Trace, type Vehicle } from '@/core/base';
import {
  importError,
  type ImportError,
  type LogClock,
  type ReadOptions,
  type ReadTrace,
  type UnpackedLog,
} from '@/core/formats';
import type { DriveLook, LookOptions } from '@/core/desk';
import type { Finding, JudgeProgress } from '@/core/judge';
import type { VehicleMemory } from '@/core/twin';
import { callWorker, keptWorkers, type Cancelled, type Running } from './callWorker';
import type { JudgeSettings, KnownFile, OpenedSecondLog, TraceWorkerApi, WorkerBug } from './protocol';

const TRACE_WORKERS = keptWorkers<TraceWorkerApi>(() => {
  const worker = new Worker(new URL('./trace.worker.ts', import.meta.url), { type: 'module' });
  return { api: Comlink.wrap<TraceWorkerApi>(worker), worker };
});

/** A failure of the worker itself, said as one of the import. */
function asImportError(error: ImportError | WorkerBug | Cancelled): ImportError {
  if ('code' in error) return error;
  return error.kind === 'cancelled'
    ? importError('cancelled', 'Reading was stopped; nothing was kept.')
    : importError('not-text', `The file could not be read: ${error.message}. Copy it to this computer and try again.`);
}

const importing = async <T>(
  result: Promise<Result<T, ImportError | WorkerBug | Cancelled>>,
): Promise<Result<T, ImportError>> => {
  const r = await result;
  return r.ok ? r : { ok: false, error: asImportError(r.error) };
};

/** A file being read. */
export type RunningImport = Running<ReadTrace, ImportError>;

/** Reads a file in a worker; cancelling ends that worker at once. */
export function startImport(
  file: Blob,
  options: ReadOptions = {},
  known: readonly KnownFile[] = [],
  onProgress: (share: number) => void = () => undefined,
): RunningImport {
  const { result, cancel } = callWorker(TRACE_WORKERS, (api, heard) =>
    api.importFile(file, options, known, heard(onProgress)),
  );
  return { result: importing(result), cancel };
}

/** Reads a file in a worker. */
export const importInWorker = (file: Blob, options: ReadOptions = {}): RunningImport['result'] =>
  startImport(file, options).result;

/** Takes the logs out of an archive in a worker; null for a file that is no archive of several. */
export const unpackInWorker = (file: Blob): Promise<Result<UnpackedLog[] | null, ImportError>> =>
  importing(callWorker(TRACE_WORKERS, (api) => api.unpack(file)).result);

/** Reads a second log of a drive in a worker and looks where it lies on the first. */
export const openSecondLog = (
  file: Blob,
  trace: Trace,
  clock: LogClock | null,
): Promise<Result<OpenedSecondLog, ImportError>> =>
  importing(callWorker(TRACE_WORKERS, (api) => api.openSecondLog(file, trace, clock)).result);

/** Learns a vehicle from a known-good trace in a worker. */
export const learnInWorker = (
  trace: Trace,
  vehicle: Vehicle,
  before: VehicleMemory | null,
): Running<VehicleMemory>['result'] => callWorker(TRACE_WORKERS, (api) => api.learn(trace, vehicle, before)).result;

/** Measures a drive for the desk in a worker. */
export const lookInWorker = (trace: Trace, vehicle: Vehicle, options: LookOptions): Running<DriveLook> =>
  callWorker(TRACE_WORKERS, (api) => api.look(trace, vehicle, options));

/** Judges a trace in a worker; cancelling ends that worker at once. */
export const judgeInWorker = (
  trace: Trace,
  vehicle: Vehicle,
  settings: JudgeSettings,
  onProgress: (progress: JudgeProgress) => void,
): Running<Finding> =>
  callWorker(TRACE_WORKERS, (api, heard) => api.judge(trace, vehicle, settings, heard(onProgress)));
