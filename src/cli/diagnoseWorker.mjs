// A worker of the headless command: judges the items that it is given.
import { parentPort } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { judgeItem } = await import('./judgeItem.ts');
parentPort.on('message', async ({ index, item }) => parentPort.postMessage({ index, outcome: await judgeItem(item) }));
