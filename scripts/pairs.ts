/**
 * Two drives of the same made-up car: what the second one adds, and whether both together are as well calibrated as one.
 * With --sound only of sound cars, for how often they are accused.
 * Usage: npm run pairs -- [--count N] [--seed S] [--sound] [--dump FILE]
 */
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { pairReport } from './exam/pairReport';
import { runExam } from './exam/pool';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '300' },
    seed: { type: 'string', default: '610000' },
    sound: { type: 'boolean', default: false },
    dump: { type: 'string' },
  },
});
const count = Number(values.count);
const seed = Number(values.seed);
if (!(Number.isInteger(count) && count > 0) || !Number.isInteger(seed)) {
  process.stderr.write('pairs: --count takes a whole number above 0 and --seed a whole number\n');
  process.exit(2);
}
const cases = await runExam('pair', { count, seed, only: null, sound: values.sound }, (done) => {
  if (done % 50 === 0) process.stderr.write(`${done} of ${count} cars judged\n`);
});
if (values.dump) writeFileSync(values.dump, JSON.stringify(cases));
process.stdout.write(`${pairReport(cases)}\n`);
