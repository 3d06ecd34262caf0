import { fail, ok, type Result } from '@/core/base';
import type { WorkerBug } from './protocol';

/** A throw as plain data: exceptions lose their class on the way out of a worker. */
const bug = (error: unknown): WorkerBug => ({
  kind: 'bug',
  message: error instanceof Error ? error.message : String(error),
  stack: error instanceof Error ? (error.stack ?? '') : '',
});

/** Runs a piece of work and turns a throw into plain data. */
export function caught<T>(work: () => T): Promise<Result<T, WorkerBug>> {
  try {
    return Promise.resolve(ok(work()));
  } catch (error) {
    return Promise.resolve(fail(bug(error)));
  }
}

/** Runs a generator to its end, reporting each step. */
export function drain<P, T>(steps: Generator<P, T, undefined>, onProgress: (progress: P) => void): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onProgress(step.value);
  }
}
