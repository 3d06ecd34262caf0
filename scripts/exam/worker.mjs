// A worker of the exam: judges what its numbers stand for.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { runCase } = await import('./case.ts');
const { runSeveralField, runSeveralWorld } = await import('./severalCase.ts');
const { runWorldCase } = await import('./worldCase.ts');
const { runFieldCase } = await import('./fieldCase.ts');
const { readCases } = await import('../learn/casesFile.ts');
const { judgedWithout, partsOf } = await import('../learn/examine.ts');
const { learnFromField, learnFromHome, learnFromPair, learnFromWorld } = await import('../learn/learnCase.ts');
/** First every drive as it was logged, then every one told again. */
const tellings = (learn) => (index, request) => {
  const drives = request.count / request.tellings;
  return learn(index % drives, Math.floor(index / drives), request);
};
/** Read once, for every part that this worker is given. */
let cases = null;
const run = {
  case: runCase,
  'several-world': runSeveralWorld,
  'several-field': (index, { folder }) => runSeveralField(index, folder),
  world: runWorldCase,
  field: runFieldCase,
  'learn-world': tellings(learnFromWorld),
  'learn-pair': tellings(learnFromPair),
  'learn-home': tellings(learnFromHome),
  'learn-field': tellings((index, telling, { folder }) => learnFromField(index, folder, telling)),
  'left-out': (index, { casesFile, seed }) => {
    cases ??= readCases(casesFile);
    return judgedWithout(cases, partsOf(cases)[index], seed);
  },
}[workerData.kind];
parentPort.on('message', async (index) =>
  parentPort.postMessage({ index, result: await run(index, workerData.request) }),
);
