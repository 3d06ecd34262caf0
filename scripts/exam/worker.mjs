// A worker of the exam: judges the cases whose numbers it is sent.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { runCase } = await import('./case.ts');
parentPort.on('message', (index) => parentPort.postMessage(runCase(index, workerData)));
