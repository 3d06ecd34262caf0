/**
 * Several drives of one car: what the second and the third add, and whether they are as well calibrated together as one.
 * Usage: npm run several -- [--count N] [--seed S] [--field FOLDER] [--dump FILE | --from FILE]
 *   --field FOLDER: the cars of a folder of an archive, with truth.json in it, in place of drawn worlds
 *   --dump FILE keeps what each drive says alone; --from FILE puts that together again without judging
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { userPath } from '../src/cli/files';
import { runExam } from './exam/pool';
import { againTruth, type SeveralCase } from './exam/severalCase';
import { severalReport } from './exam/severalReport';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '300' },
    seed: { type: 'string', default: '32000000' },
    field: { type: 'string' },
    dump: { type: 'string' },
    from: { type: 'string' },
  },
});
const folder = values.field === undefined ? null : userPath(values.field);
const count = folder ? againTruth(folder).length : Number(values.count);
const seed = Number(values.seed);
if (!(Number.isInteger(count) && count > 0) || !Number.isInteger(seed)) {
  process.stderr.write('several: --count takes a whole number above 0 and --seed a whole number\n');
  process.exit(2);
}
const say = (done: number) => {
  if (done % 50 === 0) process.stderr.write(`${done} of ${count} cars judged\n`);
};
const judged = (): Promise<SeveralCase[]> =>
  folder
    ? runExam('several-field', { count, seed, only: null, folder }, say)
    : runExam('several-world', { count, seed, only: null }, say);
const cases = values.from ? (JSON.parse(readFileSync(userPath(values.from), 'utf8')) as SeveralCase[]) : await judged();
if (values.dump) writeFileSync(userPath(values.dump), JSON.stringify(cases));
process.stdout.write(`${severalReport(cases)}\n`);
