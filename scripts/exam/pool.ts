import os from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { ExamCase, ExamRequest } from './case';
import type { PairCase } from './pair';

/** What each number of an exam is: a drive, or two drives of one car. */
export interface Kinds {
  readonly case: ExamCase;
  readonly pair: PairCase;
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
  let next = 0;
  return new Promise((resolve, reject) => {
    for (let w = 0; w < Math.min(cores, count); w++) {
      const worker = new Worker(path.join(import.meta.dirname, 'worker.mjs'), { workerData: { kind, request } });
      const give = (): void => {
        if (next < count) worker.postMessage(next++);
        else void worker.terminate();
      };
      worker.on('message', (result: Kinds[K]) => {
        results.push(result);
        onCase(results.length);
        if (results.length === count) resolve(results.sort((a, b) => a.seed - b.seed));
        give();
      });
      worker.on('error', reject);
      give();
    }
  });
}
