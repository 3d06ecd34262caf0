import { fail, ok, type Result } from '../../base';
import { buildSeries, type LoggedSeries } from '../buildSeries';
import type { ReadTrace, Remembered } from '../buildTrace';
import { importError, type ImportError } from '../importError';
import type { ReadOptions } from '../importReport';
import { createTextReader, rememberingReading, traceReading, type Reading } from '../readTrace';
import { clip } from '../words/headers';
import { sniffText } from './textEncoding';
import { readOpenDocument } from '../sheets/openDocument';
import { readWorkbook } from '../sheets/workbook';
import { decoderOf } from './decoder';
import { gunzip } from './gzip';
import { joined } from './joined';
import { logsIn, openArchive } from './zipArchive';

/** Largest text read, bytes, packed or not: a million rows of eight channels are below, a log of one drive far below. */
const LARGEST_TEXT_BYTES = 160 * 1024 * 1024;
/** Largest archive or workbook read, bytes: it is held whole. */
const LARGEST_ARCHIVE_BYTES = 64 * 1024 * 1024;
/** Bytes from which kind and encoding are told. */
const HEAD_BYTES = 64 * 1024;
/** Bytes of text decoded at once: the rows of a larger piece outlive the collector of short-lived things. */
const TEXT_STEP = 128 * 1024;
/** Archives inside archives are opened this deep. */
const DEEPEST = 2;

const MB = 1024 * 1024;

/** Reads a file that comes in pieces of bytes. */
export interface LogReader<T> {
  /** Takes the next bytes. Returns what is wrong, if anything: then nothing more need be pushed. */
  readonly push: (bytes: Uint8Array) => ImportError | null;
  readonly finish: () => Promise<Result<T, ImportError>>;
}

const tooLarge = (bytes: number, limit: number): ImportError =>
  importError(
    'too-large',
    `The file has ${Math.round(bytes / MB)} MB; the limit is ${limit / MB} MB. Export a single drive and read that.`,
  );

/** Refuses a file by its size, before it is opened; null when it may be read. */
export const refuseBySize = (bytes: number): ImportError | null =>
  bytes > LARGEST_TEXT_BYTES ? tooLarge(bytes, LARGEST_TEXT_BYTES) : null;

const tooLargeUnpacked = importError(
  'too-large',
  `The archive unpacks to more than ${LARGEST_TEXT_BYTES / MB} MB: no log of one drive is that long. Export a single drive and read that.`,
);

/** Text in a known encoding. */
function textContent<T>(encoding: string, reading: Reading<T>): LogReader<T> {
  const decoder = decoderOf(encoding);
  const reader = createTextReader(reading);
  let bytesSoFar = 0;
  return {
    push: (bytes) => {
      bytesSoFar += bytes.length;
      if (bytesSoFar > LARGEST_TEXT_BYTES) return tooLarge(bytesSoFar, LARGEST_TEXT_BYTES);
      for (let at = 0; at < bytes.length; at += TEXT_STEP) {
        const error = reader.push(decoder.decode(bytes.subarray(at, at + TEXT_STEP), { stream: true }));
        if (error) return error;
      }
      return null;
    },
    finish: () => {
      const error = reader.push(decoder.decode());
      return Promise.resolve(error ? fail(error) : reader.finish());
    },
  };
}

/** A gzip stream, unpacked as it comes. */
function gzipContent<T>(reading: Reading<T>, depth: number): LogReader<T> {
  const inner = openFile(reading, depth + 1);
  let unpacked = 0;
  const stream = gunzip((bytes) => {
    unpacked += bytes.length;
    return unpacked > LARGEST_TEXT_BYTES ? tooLargeUnpacked : inner.push(bytes);
  });
  return {
    push: stream.push,
    finish: () => {
      const error = stream.finish();
      return error ? Promise.resolve(fail(error)) : inner.finish();
    },
  };
}

/** A file that must be held whole before it can be opened. */
function wholeContent<T>(open: (bytes: Uint8Array) => Promise<Result<T, ImportError>>): LogReader<T> {
  const pieces: Uint8Array[] = [];
  let length = 0;
  return {
    push: (bytes) => {
      length += bytes.length;
      if (length > LARGEST_ARCHIVE_BYTES) return tooLarge(length, LARGEST_ARCHIVE_BYTES);
      pieces.push(bytes);
      return null;
    },
    finish: () => open(joined(pieces)),
  };
}

async function openZip<T>(bytes: Uint8Array, reading: Reading<T>, depth: number): Promise<Result<T, ImportError>> {
  const opened = openArchive(bytes, LARGEST_TEXT_BYTES);
  if (!opened.ok) return opened;
  const archive = opened.value;
  const has = (name: string): boolean => archive.entries.some((e) => e.name.toLowerCase() === name);
  if (has('xl/workbook.xml')) return readWorkbook(archive, reading);
  if (has('xl/workbook.bin')) return fail(BINARY_WORKBOOK);
  if (has('content.xml') && has('meta-inf/manifest.xml')) return readOpenDocument(archive, reading);
  const [only, ...more] = logsIn(archive.entries);
  if (!only) return fail(importError('empty', 'This zip archive holds no file. Export the log again.'));
  if (more.length > 0) {
    const names = [only, ...more].slice(0, 6).map((e) => clip(e.name));
    return fail(
      importError(
        'several-files',
        `This archive holds ${more.length + 1} files: ${names.join(', ')}. Read it under Many logs, or unpack it and drop the one that is the warm-up.`,
      ),
    );
  }
  const inner = openFile(reading, depth + 1);
  const error = archive.unpack(only.name, inner.push);
  return error ? fail(error) : inner.finish();
}

const BINARY_WORKBOOK = importError(
  'bad-archive',
  'This is a binary workbook, which is not read. Save it as .xlsx or CSV and read that.',
);

function contentOf<T>(head: Uint8Array, reading: Reading<T>, depth: number): Result<LogReader<T>, ImportError> {
  const sniffed = sniffText(head);
  if (sniffed.kind === 'text') return ok(textContent(sniffed.encoding, reading));
  if (sniffed.kind === 'binary') {
    return fail(importError('not-text', `This is ${sniffed.looksLike}, not a log. ${sniffed.mend}`));
  }
  if (depth > DEEPEST) {
    return fail(importError('bad-archive', 'Archives lie inside archives here. Unpack the log and read it by itself.'));
  }
  if (sniffed.kind === 'gzip') return ok(gzipContent(reading, depth));
  return ok(wholeContent((bytes) => openZip(bytes, reading, depth)));
}

/**
 * Reads a log from the bytes of any file that a logger writes: text in any usual encoding, a workbook, or gzip or zip
 * around one of them. Text is read as it streams by; nothing but its numbers is kept.
 */
function openFile<T>(reading: Reading<T>, depth: number): LogReader<T> {
  let waiting: Uint8Array[] = [];
  let length = 0;
  let content: LogReader<T> | null = null;

  const open = (): ImportError | null => {
    const head = joined(waiting);
    waiting = [];
    const found = contentOf(head, reading, depth);
    if (!found.ok) return found.error;
    content = found.value;
    return content.push(head);
  };

  return {
    push: (bytes) => {
      if (content) return content.push(bytes);
      waiting.push(bytes);
      length += bytes.length;
      return length < HEAD_BYTES ? null : open();
    },
    finish: async () => {
      const error = content ? null : open();
      return error ? fail(error) : content!.finish();
    },
  };
}

/** Whatever goes wrong in reading is said of that file: nothing that a file holds may stop the program. */
function guarded<T>(reader: LogReader<T>): LogReader<T> {
  const told = (error: unknown): ImportError => {
    const why = error instanceof Error ? clip(error.message) : clip(String(error));
    return importError(
      'not-read',
      `This file could not be read (${why}). Export the log again as CSV; if it stays so, keep the file: the fault is in Varmek.`,
    );
  };
  return {
    push: (bytes) => {
      try {
        return reader.push(bytes);
      } catch (error) {
        return told(error);
      }
    },
    finish: async () => {
      try {
        return await reader.finish();
      } catch (error) {
        return fail(told(error));
      }
    },
  };
}

/** Opens a file with the guard around it. */
const opened = <T>(reading: Reading<T>): LogReader<T> => guarded(openFile(reading, 0));

/** Reads a trace from the bytes of any file that a logger writes; see {@link openFile}. */
export const createFileReader = (options: ReadOptions = {}): LogReader<ReadTrace> => opened(traceReading(options));

/**
 * Reads a trace by the choices made before for files with the same headers.
 *
 * @returns the reader, and after its end the choices by which the file must be read once more; null in the usual case
 */
export function createRememberingReader(
  options: ReadOptions,
  remembered: Remembered,
): { readonly reader: LogReader<ReadTrace>; readonly again: () => ReadOptions | null } {
  const { reading, again } = rememberingReading(options, remembered);
  return { reader: opened(reading), again };
}

/** Reads every temperature of a log, for laying beside a trace; see {@link buildSeries}. */
export const createSeriesReader = (): LogReader<LoggedSeries> => opened({ options: {}, build: buildSeries });
