// A worker of the exam: judges what its numbers stand for.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { runCase } = await import('./case.ts');
const { runPair } = await import('./pair.ts');
const run = { case: runCase, pair: runPair }[workerData.kind];
parentPort.on('message', (index) => parentPort.postMessage(run(index, workerData.request)));
