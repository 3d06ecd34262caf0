import { createReadStream, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { fail, ok, type Result } from '../core/base';
import {
  createFileReader,
  importError,
  refuseBySize,
  sniffText,
  type ImportError,
  type ReadTrace,
} from '../core/formats';

/** Largest vehicle file or manifest read, bytes. */
const LARGEST_JSON_BYTES = 64 * 1024 * 1024;

/** A user's path, seen from where the command was typed (npm changes the directory). */
export const userPath = (given: string): string => path.resolve(process.env.INIT_CWD ?? process.cwd(), given);

function notOpened(error: unknown): ImportError {
  const why = error instanceof Error ? error.message : String(error);
  return importError('empty', `The file could not be opened: ${why}. Check the path.`);
}

/** Reads a small text file in any common encoding. */
export function readTextFile(file: string): Result<string, ImportError> {
  try {
    const size = statSync(file).size;
    if (size > LARGEST_JSON_BYTES) {
      const mb = Math.round(size / 1048576);
      return fail(importError('too-large', `The file has ${mb} MB; the limit is 64 MB.`));
    }
    const bytes = readFileSync(file);
    const sniffed = sniffText(bytes);
    if (sniffed.kind !== 'text') return fail(importError('not-text', 'This is no text file. Choose the JSON file.'));
    return ok(new TextDecoder(sniffed.encoding).decode(bytes));
  } catch (error) {
    return fail(notOpened(error));
  }
}

/** Reads a trace from any file that the import understands. */
export async function readTraceFile(file: string): Promise<Result<ReadTrace, ImportError>> {
  const reader = createFileReader();
  try {
    const refused = refuseBySize(statSync(file).size);
    if (refused) return fail(refused);
    for await (const chunk of createReadStream(file, { highWaterMark: 1 << 20 })) {
      const error = reader.push(chunk as Uint8Array);
      if (error) return fail(error);
    }
  } catch (error) {
    return fail(notOpened(error));
  }
  return reader.finish();
}
