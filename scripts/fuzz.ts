/**
 * Imports logs that were damaged at random and tells what came of each.
 * Usage: npm run fuzz -- FROM COUNT [FOLDER]: seeds FROM to FROM + COUNT - 1; files that went wrong are kept in FOLDER.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { userPath } from '../src/cli/files';
import { fuzzCase, fuzzOne } from './fuzz/oneCase';
import { WRONG, type Outcome } from './fuzz/verdict';

const [from = '1', count = '1000', folder] = process.argv.slice(2);
const counts = new Map<Outcome, number>();
const say = (line: string) => process.stdout.write(`${line}\n`);

for (let seed = Number(from); seed < Number(from) + Number(count); seed++) {
  const verdict = await fuzzOne(seed);
  counts.set(verdict.outcome, (counts.get(verdict.outcome) ?? 0) + 1);
  if (!WRONG.includes(verdict.outcome) && !(process.env.SHOW === verdict.outcome)) continue;
  say(`${seed} ${verdict.outcome} (${verdict.mutations.join('; ')}): ${verdict.why}`);
  if (folder === undefined) continue;
  mkdirSync(userPath(folder), { recursive: true });
  const name = `${verdict.outcome.replace(' ', '-')}-${seed}`;
  writeFileSync(path.join(userPath(folder), name), fuzzCase(seed).bytes);
}
say([...counts].map(([outcome, n]) => `${outcome} ${n}`).join(', '));
