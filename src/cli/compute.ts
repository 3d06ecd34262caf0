/**
 * Computations without a screen: `compute NAME < INPUT.json` answers one JSON object, or an array of them in the same
 * order. See docs/compute.md.
 */
import { text } from 'node:stream/consumers';
import type { ComputeError } from './compute/computation';
import { COMPUTATIONS } from './compute/computations';

const USAGE = `usage: npm run --silent compute -- NAME < INPUT.json
names: ${Object.keys(COMPUTATIONS).join(', ')}
`;

function wrongArguments(message: string): never {
  process.stderr.write(`compute: ${message}\n${USAGE}`);
  process.exit(2);
}

const [name, ...rest] = process.argv.slice(2);
if (name === undefined || rest.length > 0) wrongArguments('one name is needed');
const load = Object.hasOwn(COMPUTATIONS, name) ? COMPUTATIONS[name] : undefined;
if (!load) wrongArguments(`there is no computation “${name}”`);

let input: unknown;
try {
  input = JSON.parse(await text(process.stdin));
} catch (error) {
  wrongArguments(`the input is no JSON: ${error instanceof Error ? error.message : String(error)}`);
}

const compute = await load();
let failed = false;
async function answer(one: unknown): Promise<object> {
  const result = await compute(one);
  if (result.ok) return result.value;
  failed = true;
  const error: ComputeError = result.error;
  return { error };
}

const answers: object[] = [];
for (const one of Array.isArray(input) ? input : [input]) answers.push(await answer(one));
process.stdout.write(`${JSON.stringify(Array.isArray(input) ? answers : answers[0])}\n`);
process.exitCode = failed ? 3 : 0;
