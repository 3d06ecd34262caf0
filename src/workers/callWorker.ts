import * as Comlink from 'comlink';
import { fail, type Result } from '@/core/base';
import type { WorkerBug } from './protocol';

/** Work that was stopped by the user. */
export interface Cancelled {
  readonly kind: 'cancelled';
}

/** Work under way in a worker. */
export interface Running<T, E = WorkerBug | Cancelled> {
  readonly result: Promise<Result<T, E>>;
  readonly cancel: () => void;
}

/** A worker and the way to speak to it. */
export interface OpenWorker<Api> {
  readonly api: Comlink.Remote<Api>;
  readonly worker: Worker;
}

const bugOf = (error: unknown): WorkerBug => ({
  kind: 'bug',
  message: error instanceof Error ? error.message : String(error),
  stack: '',
});

/**
 * Calls a worker that lives for this one call: it ends with the answer, with a crash, with a failure to start, or at
 * once when cancelled. Every call to a worker goes this way, so that none waits for ever.
 */
export function callWorker<Api, T, E>(
  open: () => OpenWorker<Api>,
  call: (api: Comlink.Remote<Api>) => Promise<Result<T, E>>,
): Running<T, E | WorkerBug | Cancelled> {
  const { api, worker } = open();
  let stop: (value: Result<T, Cancelled>) => void = () => undefined;
  const cancelled = new Promise<Result<T, Cancelled>>((resolve) => {
    stop = resolve;
  });
  const crashed = new Promise<Result<T, WorkerBug>>((resolve) => {
    worker.addEventListener('error', (event) => {
      resolve(fail({ kind: 'bug', message: event.message || 'The worker could not start.', stack: '' }));
    });
  });
  const answer = call(api).catch((error: unknown) => fail(bugOf(error)));
  const result = Promise.race([answer, cancelled, crashed]).finally(() => {
    (api as Comlink.ProxyMethods)[Comlink.releaseProxy]();
    worker.terminate();
  });
  return { result, cancel: () => stop(fail({ kind: 'cancelled' })) };
}
