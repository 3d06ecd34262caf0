// A worker of the exam: judges what its numbers stand for.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { runCase } = await import('./case.ts');
const { runPair } = await import('./pair.ts');
const { runWorldCase } = await import('./worldCase.ts');
const { runFieldCase } = await import('./fieldCase.ts');
const { learnFromField, learnFromHome, learnFromPair, learnFromWorld } = await import('../learn/learnCase.ts');
const run = {
  case: runCase,
  pair: runPair,
  world: runWorldCase,
  field: runFieldCase,
  'learn-world': learnFromWorld,
  'learn-pair': learnFromPair,
  'learn-home': learnFromHome,
  'learn-field': (index, { folder }) => learnFromField(index, folder),
}[workerData.kind];
parentPort.on('message', async (index) =>
  parentPort.postMessage({ index, result: await run(index, workerData.request) }),
);
