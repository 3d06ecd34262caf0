/**
 * Trains the learned layer of the judge (src/core/judge/experience) on drives with a known outcome: drawn worlds, and a
 * field set where one is given. Judging takes by far the most time, so its figures are kept in a file and trained from.
 *
 * Usage: npm run learn -- --cases FILE.ndjson [--worlds N] [--pairs N] [--home N] [--field FOLDER] [--examine] [--write]
 *   --worlds N, --pairs N (two faults each), --home N, --field FOLDER: judge these drives, each told three times
 *     (./learn/retold), and put their figures into FILE first
 *   --examine: leave out each vehicle and a quarter of the worlds in turn, and say how well the rest knows them
 *   --write: train on all of it and write src/core/judge/experience/weights.json
 */
import { existsSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { userPath } from '../src/cli/files';
import { runExam } from './exam/pool';
import { writeAccuracy } from './exam/writeAccuracy';
import { readCases, writeCases } from './learn/casesFile';
import { examineReport, partsOf } from './learn/examine';
import { fieldTruth } from './learn/fieldSet';
import type { LearnCase } from './learn/learnCase';
import { TELLINGS } from './learn/retold';
import { train } from './learn/train';

const { values } = parseArgs({
  options: {
    cases: { type: 'string' },
    worlds: { type: 'string', default: '0' },
    pairs: { type: 'string', default: '0' },
    home: { type: 'string', default: '0' },
    field: { type: 'string' },
    examine: { type: 'boolean', default: false },
    write: { type: 'boolean', default: false },
  },
});
const file = values.cases === undefined ? undefined : userPath(values.cases);
const count = Number(values.worlds);
const pairs = Number(values.pairs);
const home = Number(values.home);
if (file === undefined || ![count, pairs, home].every((n) => Number.isInteger(n) && n >= 0)) {
  process.stderr.write('learn: --cases takes a file, --worlds, --pairs and --home a whole number\n');
  process.exit(2);
}

const SEED = 20261127;
const WEIGHTS = path.join(import.meta.dirname, '../src/core/judge/experience/weights.json');
const say = (what: string) => (done: number) => {
  if (done % 100 === 0) process.stderr.write(`${done} ${what}\n`);
};

/** Judges drives of one kind, each as often as it is told. */
const told = (
  kind: 'learn-field' | 'learn-world' | 'learn-pair' | 'learn-home',
  drives: number,
  what: string,
  folder?: string,
): Promise<LearnCase[]> | [] =>
  drives > 0
    ? runExam(
        kind,
        { count: drives * TELLINGS, tellings: TELLINGS, seed: 0, only: null, ...(folder && { folder }) },
        say(what),
      )
    : [];

if (count > 0 || pairs > 0 || home > 0 || values.field !== undefined) {
  const folder = values.field === undefined ? '' : userPath(values.field);
  writeCases(file, [
    ...(await told('learn-field', folder ? fieldTruth(folder).length : 0, 'of the field', folder)),
    ...(await told('learn-world', count, 'of the worlds')),
    ...(await told('learn-pair', pairs, 'of two faults')),
    ...(await told('learn-home', home, 'of the home world')),
  ]);
}

if (!existsSync(file)) {
  process.stderr.write(`learn: ${file} is not there: make it with --worlds N, --home N or --field FOLDER\n`);
  process.exit(2);
}
const cases = readCases(file);
if (values.examine) {
  const parts = partsOf(cases);
  const judged = await runExam('left-out', { count: parts.length, seed: SEED, only: null, casesFile: file }, () => {});
  const report = examineReport(parts, judged);
  process.stdout.write(`${report}\n`);
  if (values.write) writeAccuracy('left-out', report, 'npm run learn -- --cases FILE --examine --write');
}
if (values.write) {
  const experience = train(cases, SEED);
  writeFileSync(WEIGHTS, `${JSON.stringify(experience)}\n`);
  process.stdout.write(`${experience.names.length} figures, ${experience.nets.length} networks: written\n`);
}
