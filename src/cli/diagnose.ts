/** The headless command: analyses traces with the same core as the screens. See the contract in the README. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { readTextFile, userPath } from './files';
import type { Item } from './judgeItem';

const USAGE = `usage: npm run --silent diagnose -- TRACE [TRACE ...] --vehicle VEHICLE.json [--json]
       npm run --silent diagnose -- --manifest LIST.json --json
`;

function wrongArguments(message: string): never {
  process.stderr.write(`diagnose: ${message}\n${USAGE}`);
  process.exit(2);
}

async function readArguments(): Promise<{ items: Item[]; json: boolean }> {
  let parsed;
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: { vehicle: { type: 'string' }, manifest: { type: 'string' }, json: { type: 'boolean', default: false } },
    });
  } catch (error) {
    wrongArguments(error instanceof Error ? error.message : String(error));
  }
  const { values, positionals } = parsed;
  if (values.manifest !== undefined) {
    if (positionals.length > 0 || values.vehicle !== undefined) {
      wrongArguments('--manifest takes neither traces nor --vehicle beside it');
    }
    return { items: await manifestItems(values.manifest), json: values.json };
  }
  const { vehicle } = values;
  if (positionals.length === 0) wrongArguments('no trace given');
  if (vehicle === undefined) wrongArguments('--vehicle is missing');
  return {
    items: positionals.map((given) => ({ given, traces: [userPath(given)], vehicle: userPath(vehicle) })),
    json: values.json,
  };
}

async function manifestItems(given: string): Promise<Item[]> {
  const file = userPath(given);
  const text = readTextFile(file);
  if (!text.ok) wrongArguments(`${given}: ${text.error.message}`);
  const { readManifest } = await import('../core/formats');
  const manifest = readManifest(text.value);
  if (!manifest.ok) wrongArguments(`${given}: ${manifest.error.message}`);
  const folder = path.dirname(file);
  return manifest.value.map((item) => ({
    given: item.single ? item.traces[0]! : item.traces,
    traces: item.traces.map((trace) => path.resolve(folder, trace)),
    vehicle: path.resolve(folder, item.vehicle),
  }));
}

const { items, json } = await readArguments();
// The judge is loaded when there is something to judge: a wrong word is answered at once.
const { judgeAll } = await import('./judgeAll');
let failed = false;
await judgeAll(items, (outcome) => {
  failed ||= outcome.failed;
  process.stdout.write(`${json ? outcome.line : outcome.summary}\n`);
});
process.exitCode = failed ? 3 : 0;
