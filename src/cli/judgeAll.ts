import os from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { judgeItem, type Item, type Outcome } from './judgeItem';

/** Items from which it pays to start workers: each takes about a second to be ready. */
const WORKERS_FROM = 4;

/**
 * Judges items over all cores and hands each outcome on in the order of the items, as soon as those before it are there.
 *
 * @param onOutcome called once per item, in order
 */
export async function judgeAll(items: readonly Item[], onOutcome: (outcome: Outcome) => void): Promise<void> {
  const cores = Math.min(os.availableParallelism(), items.length);
  if (items.length < WORKERS_FROM || cores < 2) {
    for (const item of items) onOutcome(await judgeItem(item));
    return;
  }
  const waiting = new Map<number, Outcome>();
  let given = 0;
  let told = 0;
  await new Promise<void>((resolve, reject) => {
    for (let w = 0; w < cores; w++) {
      const worker = new Worker(path.join(import.meta.dirname, 'diagnoseWorker.mjs'));
      const give = (): void => {
        const index = given++;
        if (index < items.length) worker.postMessage({ index, item: items[index] });
        else void worker.terminate();
      };
      worker.on('message', ({ index, outcome }: { index: number; outcome: Outcome }) => {
        waiting.set(index, outcome);
        for (let next = waiting.get(told); next; next = waiting.get(told)) {
          waiting.delete(told++);
          onOutcome(next);
        }
        if (told === items.length) resolve();
        give();
      });
      worker.on('error', reject);
      give();
    }
  });
}
