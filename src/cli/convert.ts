/** Reads any log the import understands and writes the canonical CSV; prints the import report as JSON. */
import { writeFileSync } from 'node:fs';
import { writeTrace, type ImportError } from '../core/formats';
import { readTraceFile, userPath } from './files';

const [input, output, ...rest] = process.argv.slice(2);
if (input === undefined || output === undefined || rest.length > 0) {
  process.stderr.write('usage: npm run --silent convert -- IN OUT.csv\n');
  process.exit(2);
}

/** Previews belong on a screen. */
const printable = ({ question, ...error }: ImportError): object =>
  question ? { ...error, guesses: question.guesses, numbersOpen: question.numbersOpen } : error;

const read = await readTraceFile(userPath(input));
if (!read.ok) {
  process.stdout.write(`${JSON.stringify({ file: input, error: printable(read.error) })}\n`);
  process.exitCode = 3;
} else {
  writeFileSync(userPath(output), writeTrace(read.value.trace));
  process.stdout.write(`${JSON.stringify({ file: input, output, ...read.value.report })}\n`);
}
