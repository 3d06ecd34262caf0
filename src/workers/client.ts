import * as Comlink from 'comlink';
import { fail, type Result, type Trace, type Vehicle } from '@/core/base';
import type { Finding, JudgeProgress } from '@/core/diagnosis';
import { importError, type ImportError, type LogClock, type ReadOptions, type ReadTrace } from '@/core/formats';
import type { VehicleMemory } from '@/core/twin';
import { cancellable, type Running } from './cancellable';
import type { JudgeWorkerApi, SecondLog, WorkerBug } from './protocol';

function startWorker(): { api: Comlink.Remote<JudgeWorkerApi>; worker: Worker } {
  const worker = new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' });
  return { api: Comlink.wrap<JudgeWorkerApi>(worker), worker };
}

/** A file being read. */
export interface RunningImport {
  readonly result: Promise<Result<ReadTrace, ImportError>>;
  readonly cancel: () => void;
}

/** Reads a file in a worker of its own; cancelling ends that worker at once. */
export function startImport(
  file: Blob,
  options: ReadOptions = {},
  onProgress: (share: number) => void = () => undefined,
): RunningImport {
  const { api, worker } = startWorker();
  let stop: (stopped: Result<ReadTrace, ImportError>) => void = () => undefined;
  const cancelled = new Promise<Result<ReadTrace, ImportError>>((resolve) => {
    stop = resolve;
  });
  const answer = api.importFile(file, options, Comlink.proxy(onProgress)).catch((error: unknown) => {
    const why = error instanceof Error ? error.message : String(error);
    return fail(importError('not-text', `The file could not be read: ${why}. Copy it to this computer and try again.`));
  });
  const result = Promise.race([answer, cancelled]).finally(() => {
    api[Comlink.releaseProxy]();
    worker.terminate();
  });
  const cancel = () => stop(fail(importError('cancelled', 'Reading was stopped; nothing was kept.')));
  return { result, cancel };
}

/** Reads a file in a worker. */
export const importInWorker = (file: Blob, options: ReadOptions = {}): RunningImport['result'] =>
  startImport(file, options).result;

/** Reads a second log of a drive in a worker and looks where it lies on the first. */
export async function openSecondLog(
  file: Blob,
  trace: Trace,
  clock: LogClock | null,
): Promise<Result<SecondLog, ImportError>> {
  const { api, worker } = startWorker();
  try {
    return await api.openSecondLog(file, trace, clock);
  } finally {
    api[Comlink.releaseProxy]();
    worker.terminate();
  }
}

/** Learns a vehicle from a known-good trace in a worker. */
export async function learnInWorker(
  trace: Trace,
  vehicle: Vehicle,
  before: VehicleMemory | null,
): Promise<Result<VehicleMemory, WorkerBug>> {
  const { api, worker } = startWorker();
  try {
    return await api.learn(trace, vehicle, before);
  } finally {
    api[Comlink.releaseProxy]();
    worker.terminate();
  }
}

/** Judges a trace in a worker of its own; cancelling ends that worker at once. */
export function judgeInWorker(
  trace: Trace,
  vehicle: Vehicle,
  memory: VehicleMemory | null,
  onProgress: (progress: JudgeProgress) => void,
): Running<Finding> {
  const { api, worker } = startWorker();
  return cancellable(worker, api, api.judge(trace, vehicle, memory, Comlink.proxy(onProgress)));
}
