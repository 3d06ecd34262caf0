import * as Comlink from 'comlink';
import { fail, ok, type Result, type Trace } from '@/core/base';
import { lookAtDrive } from '@/core/desk';
import { judgeTrace, learnVehicle } from '@/core/judge';
import {
  createFileReader,
  createRememberingReader,
  createSeriesReader,
  placeSeries,
  refuseBySize,
  unpackLogs,
  type LogReader,
  type ImportError,
} from '@/core/formats';
import type { TraceWorkerApi } from './protocol';
import { caught, drain } from './workerBug';

/** Share of a file between two reports of progress. */
const PROGRESS_STEP = 0.02;

/** Memory that may move to the page instead of being copied. */
const buffersOf = ({ time_s, channels }: Trace): Transferable[] =>
  [time_s, ...Object.values(channels)].map((values) => values.buffer as ArrayBuffer);

/** Streams a file into a reader. */
async function readWhole<T>(
  file: Blob,
  reader: LogReader<T>,
  onProgress: (share: number) => void,
): Promise<Result<T, ImportError>> {
  const refused = refuseBySize(file.size);
  if (refused) return fail(refused);
  const stream = file.stream().getReader();
  let taken = 0;
  let told = 0;
  for (;;) {
    const piece = await stream.read();
    if (piece.done) return reader.finish();
    const error = reader.push(piece.value);
    if (error) return fail(error);
    taken += piece.value.length;
    if (taken - told > file.size * PROGRESS_STEP) {
      told = taken;
      onProgress(taken / file.size);
    }
  }
}

const api: TraceWorkerApi = {
  async importFile(file, options, known, onProgress) {
    const { reader, again } = createRememberingReader(options, (headers) => {
      const found = known.find(
        (k) => k.headers.length === headers.length && k.headers.every((h, i) => h === headers[i]),
      );
      return found?.choices ?? null;
    });
    const first = await readWhole(file, reader, onProgress);
    const chosen = again();
    const read = chosen ? await readWhole(file, createFileReader(chosen), onProgress) : first;
    return read.ok ? Comlink.transfer(read, buffersOf(read.value.trace)) : read;
  },
  async unpack(file) {
    const refused = refuseBySize(file.size);
    return refused ? fail(refused) : unpackLogs(new Uint8Array(await file.arrayBuffer()));
  },
  async openSecondLog(file, trace, clock) {
    const read = await readWhole(file, createSeriesReader(), () => undefined);
    if (!read.ok) return read;
    return ok({ series: read.value, ...placeSeries(trace, clock, read.value) });
  },
  look: (trace, vehicle, options) => caught(() => lookAtDrive(trace, vehicle, options)),
  learn: (trace, vehicle, before) => caught(() => learnVehicle(trace, vehicle, before)),
  judge: (trace, vehicle, settings, onProgress) =>
    caught(() => drain(judgeTrace(trace, vehicle, settings), onProgress)),
};

Comlink.expose(api);
