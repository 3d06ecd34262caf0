/**
 * The exam: made-up vehicles, faults, drives and weather by seed, judged blind.
 * Usage: npm run exam -- [--count N] [--seed S] [--set CHANNEL_SET] [--write] [--dump FILE]
 *        npm run exam -- --worlds [--count N] [--seed S] [--write]: drives in worlds that the judge never met
 *        npm run exam -- --field FOLDER: the logged drives of a field set
 */
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { CHANNEL_SETS } from './exam/case';
import { runExam } from './exam/pool';
import { examFigures } from './exam/metrics';
import { examReport } from './exam/report';
import { outsideReport } from './exam/outsideReport';
import { writeAccuracy } from './exam/writeAccuracy';
import { userPath } from '../src/cli/files';
import { fieldTruth } from './learn/fieldSet';

/** Added to the seed of an exam over worlds: far from what the learned layer met. */
const EXAM_SEED = 9_000_000;

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '600' },
    seed: { type: 'string', default: '500000' },
    write: { type: 'boolean', default: false },
    set: { type: 'string' },
    dump: { type: 'string' },
    worlds: { type: 'boolean', default: false },
    field: { type: 'string' },
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
if ([values.worlds, values.field !== undefined, only !== null].filter(Boolean).length > 1) {
  process.stderr.write('exam: --worlds, --field and --set are exams of their own: give one of them\n');
  process.exit(2);
}
if (values.field !== undefined && values.write) {
  process.stderr.write(
    'exam: the judge learned from the field set; docs/accuracy.md takes npm run learn -- --examine\n',
  );
  process.exit(2);
}
if (only && values.write) {
  process.stderr.write('exam: --write reports all channel sets: leave out --set, or --write\n');
  process.exit(2);
}
/** Drives of a field set; ends the command where the folder holds none. */
function countOf(folder: string): number {
  try {
    return fieldTruth(folder).length;
  } catch (error) {
    process.stderr.write(`exam: ${error instanceof Error ? error.message : String(error)}\n`);
    return process.exit(2);
  }
}
const judged = (done: number) => {
  if (done % 50 === 0) process.stderr.write(`${done} judged\n`);
};
if (values.worlds) {
  const outside = outsideReport(await runExam('world', { count, seed: EXAM_SEED + seed, only: null }, judged));
  process.stdout.write(`${outside}\n`);
  const command = `npm run exam -- --worlds --count ${count} --seed ${seed} --write`;
  if (values.write) writeAccuracy('worlds', outside, command);
  process.exit(0);
}
if (values.field !== undefined) {
  const folder = userPath(values.field);
  const field = { count: countOf(folder), seed: 0, only: null, folder };
  process.stdout.write(`${outsideReport(await runExam('field', field, judged))}\n`);
  process.exit(0);
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
if (values.write) writeAccuracy('exam', report, `npm run exam -- --count ${count} --seed ${seed} --write`);
