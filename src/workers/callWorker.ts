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
 * How long a worker waits for the next call before it ends, ms: what it learned to run fast is worth its memory. A working
 * figure, about the time in which a person who works on one job asks for the next thing (decision 31).
 */
const WAITS_MS = 20_000;

/** Makes a listener one that a worker can tell how far it is. */
export type Heard = <V>(listener: (value: V) => void) => ((value: V) => void) & Comlink.ProxyMarked;

/** Workers of one kind: one that has answered waits a while for the next call. */
export interface Workers<Api> {
  readonly take: () => OpenWorker<Api>;
  /** Takes back a worker that is free again. */
  readonly giveBack: (worker: OpenWorker<Api>) => void;
}

function end<Api>({ api, worker }: OpenWorker<Api>): void {
  (api as Comlink.ProxyMethods)[Comlink.releaseProxy]();
  worker.terminate();
}

/**
 * Workers that are opened when none is free.
 *
 * @param waits_ms how long a free one is kept; 0 for one that ends with its call, such as one that holds the store open
 */
export function keptWorkers<Api>(open: () => OpenWorker<Api>, waits_ms: number = WAITS_MS): Workers<Api> {
  const free = new Map<OpenWorker<Api>, ReturnType<typeof setTimeout>>();
  return {
    take: () => {
      for (const [opened, timer] of free) {
        clearTimeout(timer);
        free.delete(opened);
        return opened;
      }
      return open();
    },
    giveBack: (opened) => {
      if (waits_ms === 0) {
        end(opened);
        return;
      }
      const timer = setTimeout(() => {
        free.delete(opened);
        end(opened);
      }, waits_ms);
      free.set(opened, timer);
    },
  };
}

/**
 * Calls a worker that does nothing else meanwhile. With a good answer it is free for the next call; with an error, with a
 * crash, with a failure to start, and when cancelled it ends at once. Every call to a worker goes this way, so that none
 * waits for ever.
 *
 * @param call what is asked of the worker. A listener goes to it through `heard`: progress comes through a channel of its
 *   own, on a busy machine after the answer, and is then no longer told, nor after cancelling.
 */
export function callWorker<Api, T, E>(
  workers: Workers<Api>,
  call: (api: Comlink.Remote<Api>, heard: Heard) => Promise<Result<T, E>>,
): Running<T, E | WorkerBug | Cancelled> {
  const opened = workers.take();
  const { api, worker } = opened;
  let stop: (value: Result<T, Cancelled>) => void = () => undefined;
  const cancelled = new Promise<Result<T, Cancelled>>((resolve) => {
    stop = resolve;
  });
  const watch = new AbortController();
  const crashed = new Promise<Result<T, WorkerBug>>((resolve) => {
    worker.addEventListener(
      'error',
      (event) => resolve(fail({ kind: 'bug', message: event.message || 'The worker could not start.', stack: '' })),
      { signal: watch.signal },
    );
  });
  let free = false;
  let over = false;
  const heard: Heard = (listener) => Comlink.proxy((value) => void (over || listener(value)));
  const answer = call(api, heard).then(
    (value) => {
      // Whatever went wrong inside it does not meet the next call.
      free = value.ok;
      return value;
    },
    (error: unknown) => fail(bugOf(error)),
  );
  const result = Promise.race([answer, cancelled, crashed]).finally(() => {
    over = true;
    watch.abort();
    if (free) workers.giveBack(opened);
    else end(opened);
  });
  const cancel = () => {
    over = true;
    stop(fail({ kind: 'cancelled' }));
  };
  return { result, cancel };
}
