import { fail, ok, type Result } from '../../base';
import type { ImportError } from '../importError';
import { importError } from '../importError';
import { joined } from './joined';
import { sniffText } from './textEncoding';
import { logsIn, openArchive } from './zipArchive';

/** A log out of an archive. */
export interface UnpackedLog {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Most logs, and most bytes of all together, that are taken out of one archive. */
const MOST_LOGS = 500;
const MOST_BYTES = 256 * 1024 * 1024;

/**
 * Takes the logs out of an archive that holds several.
 *
 * @returns null for anything else: a single log, a workbook, no archive at all
 */
export function unpackLogs(bytes: Uint8Array): Result<UnpackedLog[] | null, ImportError> {
  if (sniffText(bytes.subarray(0, 1024)).kind !== 'zip') return ok(null);
  const opened = openArchive(bytes, MOST_BYTES);
  if (!opened.ok) return opened;
  const { entries, unpack } = opened.value;
  if (entries.some((e) => /^(xl\/|content\.xml$)/i.test(e.name))) return ok(null);
  const logs = logsIn(entries);
  if (logs.length < 2) return ok(null);
  if (logs.length > MOST_LOGS || logs.reduce((sum, e) => sum + e.bytes, 0) > MOST_BYTES) {
    const message = `This archive holds ${logs.length} files or more than ${MOST_BYTES / 1048576} MB. Unpack it and drop its logs a few at a time.`;
    return fail(importError('too-large', message));
  }
  const found: UnpackedLog[] = [];
  for (const entry of logs) {
    const pieces: Uint8Array[] = [];
    const error = unpack(entry.name, (piece) => {
      pieces.push(piece);
      return null;
    });
    if (error) return fail(error);
    found.push({ name: entry.name, bytes: joined(pieces) });
  }
  return ok(found);
}
