/**
 * The exam: made-up vehicles, faults, drives and weather by seed, judged blind.
 * Usage: npm run exam -- [--count N] [--seed S] [--set CHANNEL_SET] [--write] [--dump FILE]
 */
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { CHANNEL_SETS } from './exam/case';
import { runExam } from './exam/pool';
import { examFigures } from './exam/metrics';
import { examReport } from './exam/report';
import { writeAccuracy } from './exam/writeAccuracy';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '600' },
    seed: { type: 'string', default: '500000' },
    write: { type: 'boolean', default: false },
    set: { type: 'string' },
    dump: { type: 'string' },
  },
});
const count = Number(values.count);
const seed = Number(values.seed);
if (!(Number.isInteger(count) && count > 0) || !Number.isInteger(seed)) {
  process.stderr.write('exam: --count takes a whole number above 0 and --seed a whole number\n');
  process.exit(2);
}
const only = CHANNEL_SETS.find((s) => s === values.set) ?? null;
if (values.set !== undefined && only === null) {
  process.stderr.write(`exam: --set takes one of ${CHANNEL_SETS.join(', ')}\n`);
  process.exit(2);
}
if (only && values.write) {
  process.stderr.write('exam: --write reports all channel sets: leave out --set, or --write\n');
  process.exit(2);
}
const started = performance.now();
const cases = await runExam('case', { count, seed, only }, (done) => {
  if (done % 50 === 0) process.stderr.write(`${done} of ${count} judged\n`);
});
const figures = examFigures(cases);
const report = examReport(figures);
process.stdout.write(`${report}\n\nmedian ${figures.medianMilliseconds.toFixed(0)} ms per trace; `);
process.stdout.write(`${((count * 1000) / (performance.now() - started)).toFixed(1)} traces a second over all cores\n`);
if (values.dump) writeFileSync(values.dump, JSON.stringify(cases));
if (values.write) writeAccuracy(report, { count, seed });
