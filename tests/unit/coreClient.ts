import { fail, ok, type Result, type Trace } from '@/core/base';
import {
  createFileReader,
  createSeriesReader,
  placeSeries,
  type ImportError,
  type LogClock,
  type ReadOptions,
  type ReadTrace,
} from '@/core/formats';
import type { OpenedSecondLog } from '@/workers/protocol';

/** The worker's import, run where there are no workers. */
export async function importInWorker(file: Blob, options: ReadOptions = {}): Promise<Result<ReadTrace, ImportError>> {
  const reader = createFileReader(options);
  const error = reader.push(new Uint8Array(await file.arrayBuffer()));
  return error ? fail(error) : reader.finish();
}

/** The worker's reading of a second log, likewise. */
export async function openSecondLog(
  file: Blob,
  trace: Trace,
  clock: LogClock | null,
): Promise<Result<OpenedSecondLog, ImportError>> {
  const reader = createSeriesReader();
  const error = reader.push(new Uint8Array(await file.arrayBuffer()));
  const read = error ? fail(error) : await reader.finish();
  return read.ok ? ok({ series: read.value, ...placeSeries(trace, clock, read.value) }) : read;
}
