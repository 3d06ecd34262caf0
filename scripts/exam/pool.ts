import os from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { ExamCase, ExamRequest } from './case';
import type { LearnCase } from '../learn/learnCase';
import type { OutsideCase, OutsideVerdict } from './outsideCase';
import type { SeveralCase } from './severalCase';

/**
 * What each number of an exam is: a drive, several drives of one car, a drive in a drawn world or of a field set, or the
 * drives of a part that the learned layer is trained without.
 */
export interface Kinds {
  readonly case: ExamCase;
  readonly 'several-world': SeveralCase;
  readonly 'several-field': SeveralCase;
  readonly world: OutsideCase;
  readonly field: OutsideCase;
  readonly 'learn-world': LearnCase;
  readonly 'learn-pair': LearnCase;
  readonly 'learn-home': LearnCase;
  readonly 'learn-field': LearnCase;
  readonly 'left-out': readonly OutsideVerdict[];
}

/** Judges the cases of an exam over all cores; calls back after each. */
export function runExam<K extends keyof Kinds>(
  kind: K,
  request: ExamRequest,
  onCase: (done: number) => void,
  cores = os.availableParallelism(),
): Promise<Kinds[K][]> {
  const { count } = request;
  const results: Kinds[K][] = [];
  let done = 0;
  let next = 0;
  return new Promise((resolve, reject) => {
    for (let w = 0; w < Math.min(cores, count); w++) {
      const worker = new Worker(path.join(import.meta.dirname, 'worker.mjs'), { workerData: { kind, request } });
      const give = (): void => {
        if (next < count) worker.postMessage(next++);
        else void worker.terminate();
      };
      worker.on('message', ({ index, result }: { index: number; result: Kinds[K] }) => {
        results[index] = result;
        onCase(++done);
        if (done === count) resolve(results);
        give();
      });
      worker.on('error', reject);
      give();
    }
  });
}
