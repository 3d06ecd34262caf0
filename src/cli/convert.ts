/** Reads any log the import understands and writes the canonical CSV; prints the import report as JSON. */
import { writeFileSync } from 'node:fs';
import type { Trace } from '../core/base';
import { importError, writeTrace, type ImportError } from '../core/formats';
import { readTraceFile, userPath } from './files';

const [input, output, ...rest] = process.argv.slice(2);
if (input === undefined || output === undefined || rest.length > 0) {
  process.stderr.write('usage: npm run --silent convert -- IN OUT.csv\n');
  process.exit(2);
}

/** Previews belong on a screen. */
const printable = ({ question, ...error }: ImportError): object =>
  question ? { ...error, guesses: question.guesses, numbersOpen: question.numbersOpen } : error;

function refused(error: ImportError): void {
  process.stdout.write(`${JSON.stringify({ file: input, error: printable(error) })}\n`);
  process.exitCode = 3;
}

/** Writes the trace; what is wrong with the place, if anything. */
function writeOut(path: string, trace: Trace): ImportError | null {
  try {
    writeFileSync(path, writeTrace(trace));
    return null;
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return importError('not-written', `${path} could not be written: ${why}. Choose another place for the result.`);
  }
}

const read = await readTraceFile(userPath(input));
if (!read.ok) refused(read.error);
else {
  const error = writeOut(userPath(output), read.value.trace);
  if (error) refused(error);
  else process.stdout.write(`${JSON.stringify({ file: input, output, ...read.value.report })}\n`);
}
