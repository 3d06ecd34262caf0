import { fail, type Result } from '../base';
import { readCanFrame } from '../obd';
import { buildTrace, rememberedFor, type ReadTrace, type Remembered } from './buildTrace';
import { canLogReader } from './table/canLogReader';
import { delimitedReader } from './table/delimitedReader';
import { importError, type ImportError } from './importError';
import type { ReadOptions } from './importReport';
import { jsonReader } from './table/jsonReader';
import { LineCutter, LONGEST_LINE } from './table/lineCutter';
import { isMarkup, pageReader } from './sheets/pageReader';
import { timeColumnsOf, tooLargeTable, type Source, type SourceReader } from './table/readers';
import { chooseDelimiter } from './table/records';

/** Characters of a whole text taken at once. */
const PIECE_CHARACTERS = 128 * 1024;
/** Text read before the kind of the file is decided, characters. */
const HEAD_CHARACTERS = 128 * 1024;

/** What is made of a file once all its rows are read. */
export interface Reading<T> {
  readonly options: ReadOptions;
  readonly build: (source: Source) => Result<T, ImportError>;
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
  const build = (source: Source): Result<ReadTrace, ImportError> => {
    const known = options.mapping ? null : rememberedFor(source, remembered);
    if (!known) return buildTrace(source, options);
    const chosen = { ...options, ...known.choices };
    if (!known.asRead) again = chosen;
    return buildTrace(source, chosen, false);
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

const EMPTY = importError('empty', 'The file is empty. Export the log again and check that it has rows.');

/** A reader for a file, and whether it takes text by whole lines or as it comes. */
interface Chosen {
  readonly reader: SourceReader;
  readonly byLines: boolean;
}

/** Chooses the reader for a file by its beginning. */
function chooseReader(head: string, options: ReadOptions): Chosen {
  const timeColumns = timeColumnsOf(options);
  const json = jsonKind(head);
  if (json) return { reader: jsonReader(json === 'lines', timeColumns), byLines: json === 'lines' };
  if (isMarkup(head)) return { reader: pageReader(options), byLines: false };
  if (isCanLog(head)) return { reader: canLogReader(), byLines: true };
  const skip = /^sep=.\r?\n/i.test(head) ? 1 : 0;
  return { reader: delimitedReader(chooseDelimiter(head), { timeColumns, skip }), byLines: true };
}

/**
 * Reads a log from text as it streams by: the canonical CSV, delimited tables in any dialect (other wordings,
 * units, decimal commas, preambles, a row of units, clocks and dates, one reading per row), JSON, NDJSON and CAN logs.
 */
export function createTextReader<T>({ options, build }: Reading<T>): TextReader<T> {
  const cutter = new LineCutter();
  let head = '';
  let chosen: Chosen | null = null;
  let started = false;

  const open = (): ImportError | null => {
    chosen = chooseReader(head, options);
    const text = chosen.byLines ? head : head + cutter.finish();
    head = '';
    return feed(chosen.reader, text);
  };

  const push = (text: string): ImportError | null => {
    if (!started && text !== '') {
      text = text.replace(/^\uFEFF/, '');
      started = true;
    }
    if (chosen && !chosen.byLines) return feed(chosen.reader, text);
    const lines = cutter.push(text);
    if (chosen) {
      if (cutter.held > LONGEST_LINE) return lineTooLong();
      return lines === '' ? null : feed(chosen.reader, lines);
    }
    head += lines;
    if (cutter.held > LONGEST_LINE) {
      // A document may stand on one line.
      const start = head.trim() === '' ? cutter.peek() : head;
      if (!jsonKind(start) && !isMarkup(start)) return lineTooLong();
      head += cutter.finish();
      return open();
    }
    return head.length < HEAD_CHARACTERS ? null : open();
  };

  const finish = (): Result<T, ImportError> => {
    const rest = cutter.finish();
    if (!chosen) {
      head += rest;
      if (head.trim() === '') return fail(EMPTY);
      const error = open();
      if (error) return fail(error);
    } else if (rest !== '') {
      const error = feed(chosen.reader, rest);
      if (error) return fail(error);
    }
    const { reader } = chosen!;
    const error = reader.finish();
    if (error) return fail(error);
    reader.source.table.settle(options.numbers ?? null);
    return build(reader.source);
  };

  return { push, finish };
}

/** Hands a piece on, and stops at more rows than any log has. */
function feed(reader: SourceReader, text: string): ImportError | null {
  return reader.push(text) ?? tooLargeTable(reader.source.table);
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
