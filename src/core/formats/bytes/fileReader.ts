import { Gunzip } from 'fflate';
import { fail, ok, type Result } from '../../base';
import { buildSeries, type LoggedSeries } from '../buildSeries';
import type { ReadTrace, Remembered } from '../buildTrace';
import { importError, type ImportError } from '../importError';
import type { ReadOptions } from '../importReport';
import { createTextReader, rememberingReading, traceReading, type Reading } from '../readTrace';
import { sniffText } from './textEncoding';
import { readWorkbook } from './workbook';
import { readZip } from './zipArchive';

/** Largest text read, bytes, packed or not: a million rows of eight channels are below, a log of one drive far below. */
const LARGEST_TEXT_BYTES = 160 * 1024 * 1024;
/** Largest archive or workbook read, bytes: it is held whole. */
const LARGEST_ARCHIVE_BYTES = 64 * 1024 * 1024;
/** Bytes from which kind and encoding are told. */
const HEAD_BYTES = 64 * 1024;
/** Bytes of text decoded at once: the rows of a larger piece outlive the collector of short-lived things. */
const TEXT_STEP = 128 * 1024;
/** Packed bytes taken at once: deflate grows at most about a thousandfold, so the limit is seen in time. */
const PACKED_STEP = 16 * 1024;
/** Archives inside archives are opened this deep. */
const DEEPEST = 2;

const MB = 1024 * 1024;

/** Every engine that runs this has one; core is compiled without the types of any. */
declare const TextDecoder: new (encoding: string) => {
  decode(bytes?: Uint8Array, options?: { stream: boolean }): string;
};

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
  const decoder = new TextDecoder(encoding);
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

const broken = (kind: string, error: unknown): ImportError =>
  importError(
    'bad-archive',
    `This ${kind} is damaged (${error instanceof Error ? error.message : String(error)}). Copy or export it again.`,
  );

const CUT_OFF = importError('bad-archive', 'This gzip file is damaged or cut off. Copy or export it again.');

/** A gzip stream, unpacked as it comes. */
function gzipContent<T>(reading: Reading<T>, depth: number): LogReader<T> {
  const inner = openFile(reading, depth + 1);
  let problem: ImportError | null = null;
  let unpacked = 0;
  const gunzip = new Gunzip((bytes) => {
    unpacked += bytes.length;
    if (unpacked > LARGEST_TEXT_BYTES) problem ??= tooLargeUnpacked;
    problem ??= inner.push(bytes);
  });
  let members = 0;
  gunzip.onmember = () => members++;
  const tail: number[] = [];
  // The last four bytes give the unpacked length. Source: RFC 1952, 2.3.1. Of several members they give the last one's.
  const isCutOff = (): boolean => {
    const [a = 0, b = 0, c = 0, d = 0] = tail;
    return members < 2 && (tail.length < 4 || (a | (b << 8) | (c << 16) | (d << 24)) >>> 0 !== unpacked % 2 ** 32);
  };
  const step = (bytes: Uint8Array, last: boolean): ImportError | null => {
    try {
      gunzip.push(bytes, last);
    } catch (error) {
      problem ??= broken('gzip file', error);
    }
    return problem;
  };
  return {
    push: (bytes) => {
      tail.splice(0, Math.max(0, tail.length + Math.min(4, bytes.length) - 4));
      tail.push(...bytes.subarray(-4));
      for (let at = 0; at < bytes.length && !problem; at += PACKED_STEP)
        step(bytes.subarray(at, at + PACKED_STEP), false);
      return problem;
    },
    finish: async () => {
      const error = step(new Uint8Array(0), true) ?? (isCutOff() ? CUT_OFF : null);
      return error ? fail(error) : inner.finish();
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
    finish: () => open(joined(pieces, length)),
  };
}

function joined(pieces: readonly Uint8Array[], length: number): Uint8Array {
  const whole = new Uint8Array(length);
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

async function openZip<T>(bytes: Uint8Array, reading: Reading<T>, depth: number): Promise<Result<T, ImportError>> {
  const found = readZip(bytes, LARGEST_TEXT_BYTES);
  if (!found.ok) return found;
  if (found.value.kind === 'workbook') return readWorkbook(bytes, reading);
  const inner = openFile(reading, depth + 1);
  const error = inner.push(found.value.bytes);
  return error ? fail(error) : inner.finish();
}

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
    const head = joined(waiting, length);
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

/** Reads a trace from the bytes of any file that a logger writes; see {@link openFile}. */
export const createFileReader = (options: ReadOptions = {}): LogReader<ReadTrace> => openFile(traceReading(options), 0);

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
  return { reader: openFile(reading, 0), again };
}

/** Reads every temperature of a log, for laying beside a trace; see {@link buildSeries}. */
export const createSeriesReader = (): LogReader<LoggedSeries> => openFile({ options: {}, build: buildSeries }, 0);
