import { fail, ok, type Result } from '../base';
import { readCanFrame } from '../obd';
import { buildTrace, rememberedFor, type ReadTrace, type Remembered } from './buildTrace';
import { canLogReader } from './table/canLogReader';
import { delimitedReader } from './table/delimitedReader';
import { sniffDialect } from './table/dialect';
import { importError, type ImportError } from './importError';
import type { ReadOptions } from './importReport';
import { jsonReader } from './table/jsonReader';
import { LineCutter, LONGEST_LINE } from './table/lineCutter';
import type { SourceReader } from './table/readers';

/** Most rows: a whole day at fifty a second; beyond, it is no log of one drive. */
const MOST_ROWS = 4_500_000;
/** Characters of a whole text taken at once. */
const PIECE_CHARACTERS = 128 * 1024;
/** Text read before the kind of the file is decided, characters. */
const HEAD_CHARACTERS = 128 * 1024;

/** What is made of a file once all its rows are read. */
export interface Reading<T> {
  readonly options: ReadOptions;
  readonly build: (source: SourceReader) => Result<T, ImportError>;
}

/** A trace of a file. */
export const traceReading = (options: ReadOptions): Reading<ReadTrace> => ({
  options,
  build: (source) => buildTrace(source, options),
});

/** A trace of a file, by the choices made before for files with the same headers unless others are made now. */
export function rememberingReading(
  options: ReadOptions,
  remembered: Remembered,
): { readonly reading: Reading<ReadTrace>; readonly again: () => ReadOptions | null } {
  let again: ReadOptions | null = null;
  const build = (source: SourceReader): Result<ReadTrace, ImportError> => {
    const known = options.mapping ? null : rememberedFor(source, remembered);
    if (!known) return buildTrace(source, options);
    const chosen = { ...options, ...known.choices };
    if (!known.asRead) again = chosen;
    return buildTrace(source, chosen);
  };
  return { reading: { options, build }, again: () => again };
}

/** Reads text that comes in pieces. */
export interface TextReader<T> {
  /** Takes the next piece, cut anywhere. Returns what is wrong, if anything: then nothing more need be pushed. */
  readonly push: (text: string) => ImportError | null;
  /** No more text comes: what was made of it, or what is wrong or open. */
  readonly finish: () => Result<T, ImportError>;
}

type JsonKind = 'document' | 'lines' | null;

/** Whether text is a JSON document, JSON line by line, or neither. A preamble such as `[Header]` is neither. */
function jsonKind(head: string): JsonKind {
  const start = /^\s*(?:\{\s*["}]|\[\s*(?:[[{"\]]|-?\d|null))/.exec(head);
  if (!start) return null;
  const [first, second] = head.trimStart().split('\n', 2);
  if (!first!.trimEnd().endsWith('}') || !second?.trimStart().startsWith('{')) return 'document';
  try {
    JSON.parse(first!);
    return 'lines';
  } catch (error) {
    if (error instanceof SyntaxError) return 'document';
    throw error;
  }
}

/** Most lines of the beginning are frames of a CAN log. */
function isCanLog(head: string): boolean {
  const lines = head
    .slice(0, 20_000)
    .split('\n')
    .filter((l) => l.trim() !== '')
    .slice(0, 60);
  return lines.filter((l) => readCanFrame(l) !== null).length > 0.6 * lines.length;
}

const NO_HEADER = importError(
  'no-header',
  'No header row was found in the first 120 lines. The first row should name the columns, for example time_s,ect_c.',
  { line: 1 },
);

const EMPTY = importError('empty', 'The file is empty. Export the log again and check that it has rows.');

/** Chooses the reader for a file by its beginning. */
function chooseReader(head: string, options: ReadOptions): Result<SourceReader, ImportError> {
  const timeColumns = new Set(
    Object.entries(options.mapping ?? {})
      .filter(([, choice]) => choice.channel === 'time_s')
      .map(([column]) => Number(column)),
  );
  const json = jsonKind(head);
  if (json) return ok(jsonReader(json === 'lines', timeColumns));
  if (isCanLog(head)) return ok(canLogReader());
  const dialect = sniffDialect(head);
  if (!dialect || dialect.header.length < 2) return fail(NO_HEADER);
  const numbers = options.numbers ?? dialect.numbers;
  return ok(delimitedReader(dialect, { numbers, open: dialect.numbersOpen && !options.numbers, timeColumns }));
}

/**
 * Reads a log from text as it streams by: the canonical CSV, delimited tables in any dialect (other wordings,
 * units, decimal commas, preambles, a row of units, clocks and dates, one reading per row), JSON, NDJSON and CAN logs.
 */
export function createTextReader<T>({ options, build }: Reading<T>): TextReader<T> {
  const cutter = new LineCutter();
  let head = '';
  let reader: SourceReader | null = null;
  let isDocument = false;
  let started = false;

  const open = (): ImportError | null => {
    const chosen = chooseReader(head, options);
    if (!chosen.ok) return chosen.error;
    reader = chosen.value;
    isDocument = reader.kind === 'json';
    const text = head;
    head = '';
    return feed(reader, text);
  };

  const push = (text: string): ImportError | null => {
    if (!started && text !== '') {
      text = text.replace(/^\uFEFF/, '');
      started = true;
    }
    const lines = cutter.push(text);
    if (reader) {
      if (cutter.held > LONGEST_LINE && !isDocument) return lineTooLong();
      return lines === '' ? null : feed(reader, lines);
    }
    head += lines;
    if (cutter.held > LONGEST_LINE && !/^\s*[[{]/.test(head.slice(0, 40))) {
      return head.trim() === '' && jsonKind(cutter.peek()) ? null : lineTooLong();
    }
    return head.length < HEAD_CHARACTERS ? null : open();
  };

  const finish = (): Result<T, ImportError> => {
    const rest = cutter.finish();
    if (!reader) {
      head += rest;
      if (head.trim() === '') return fail(EMPTY);
      const error = open();
      if (error) return fail(error);
    } else if (rest !== '') {
      const error = feed(reader, rest);
      if (error) return fail(error);
    }
    const error = reader!.finish();
    return error ? fail(error) : build(reader!);
  };

  return { push, finish };
}

/** Hands a piece on, and stops at more rows than any log has. */
function feed(reader: SourceReader, text: string): ImportError | null {
  const error = reader.push(text);
  if (error || reader.table.rows <= MOST_ROWS) return error;
  return importError(
    'too-large',
    `The file has more than ${MOST_ROWS / 1e6} million rows: no log of one drive is that long. Export a single drive.`,
  );
}

const lineTooLong = (): ImportError =>
  importError(
    'line-too-long',
    `A line has more than ${LONGEST_LINE / 1e6} million characters: that is no table. Export the log as CSV with one row per reading.`,
  );

/** Reads a log from a whole text; see {@link createTextReader}. */
export function readText<T>(text: string, reading: Reading<T>): Result<T, ImportError> {
  const reader = createTextReader(reading);
  for (let at = 0; at < text.length; at += PIECE_CHARACTERS) {
    const error = reader.push(text.slice(at, at + PIECE_CHARACTERS));
    if (error) return fail(error);
  }
  return reader.finish();
}

/** Reads a logged trace from a whole text; see {@link createTextReader}. */
export const readTrace = (text: string, options: ReadOptions = {}): Result<ReadTrace, ImportError> =>
  readText(text, traceReading(options));
