import * as Comlink from 'comlink';
import { fail, type Result } from '@/core/base';
import type { WorkerBug } from './protocol';

/** Work that was stopped by the user. */
export interface Cancelled {
  readonly kind: 'cancelled';
}

/** Work under way in a worker. */
export interface Running<T> {
  readonly result: Promise<Result<T, WorkerBug | Cancelled>>;
  readonly cancel: () => void;
}

/** Ties a worker's life to one call: it ends with the answer, with a crash, or at once when cancelled. */
export function cancellable<T>(
  worker: Worker,
  api: Comlink.Remote<unknown>,
  answer: Promise<Result<T, WorkerBug>>,
): Running<T> {
  let stop: (value: Result<T, Cancelled>) => void = () => undefined;
  const cancelled = new Promise<Result<T, Cancelled>>((resolve) => {
    stop = resolve;
  });
  const crashed = new Promise<Result<T, WorkerBug>>((resolve) => {
    worker.addEventListener('error', (event) => {
      resolve(fail({ kind: 'bug', message: event.message || 'The worker could not start.', stack: '' }));
    });
  });
  const result = Promise.race([answer, cancelled, crashed]).finally(() => {
    (api as Comlink.ProxyMethods)[Comlink.releaseProxy]();
    worker.terminate();
  });
  return { result, cancel: () => stop(fail({ kind: 'cancelled' })) };
}
