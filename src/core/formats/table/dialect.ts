import Papa from 'papaparse';
import { looksNumeric, PLAIN_NUMBERS, sniffNumberStyle, type NumberStyle } from '../words/cells';
import { readHeader, unitOfText } from '../words/headers';
import { looksLikeTime } from '../words/timeCells';

/** One reading per row: which column holds what. */
export interface LongLayout {
  readonly timeAt: number;
  readonly nameAt: number;
  readonly valueAt: number;
  readonly unitAt: number;
}

/** How a delimited file is written. */
export interface Dialect {
  readonly delimiter: string;
  readonly header: readonly string[];
  /** Line of the header, from 1; null in a file without one. */
  readonly headerLine: number | null;
  /** Units from a row under the header; null per column without one. */
  readonly units: readonly (string | null)[];
  /** Rows before the first row of data. */
  readonly skip: number;
  readonly numbers: NumberStyle;
  /** The sample leaves open whether commas part thousands or decimals. */
  readonly numbersOpen: boolean;
  readonly long: LongLayout | null;
  /** Columns of time with the column of the channel that each belongs to; null where one time serves all. */
  readonly pairs: readonly { readonly timeAt: number; readonly valueAt: number }[] | null;
}

const DELIMITERS = [',', ';', '\t', '|'] as const;
/** Lines searched for the header: loggers write their own heading first. */
const HEADER_WITHIN = 120;
/** Rows looked at to learn the style of the numbers. */
const STYLE_ROWS = 400;

const NAME =
  /^(pid|sensor|parameter|param|name|channel|signal|item|kanal|messgr\S*e|bezeichnung|grandeur|voie)( ?name)?$/i;
const VALUE = /^(value|reading|wert|messwert|valeur|val|valor|valore|waarde|v[äa]rde)$/i;
const UNIT = /^(units?|einheit|unit[ée]|unidad|unit[àa]|eenheid|enhet)$/i;

const parse = (text: string, delimiter: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter, skipEmptyLines: false }).data;

const isBlank = (row: readonly string[]): boolean => row.every((c) => c.trim() === '');

/** The delimiter that gives the most equally wide rows near the start; ties go to the one that leaves numbers whole. */
function chooseDelimiter(head: string): string {
  let best: string = ',';
  let bestScore = 0;
  for (const delimiter of DELIMITERS) {
    const widths = new Map<number, number>();
    for (const row of parse(head, delimiter)) {
      if (row.length > 1) widths.set(row.length, (widths.get(row.length) ?? 0) + 1);
    }
    for (const [width, count] of widths) {
      const score = count * Math.min(width, 12) * (delimiter === ',' ? 0.6 : 1);
      if (score > bestScore) {
        bestScore = score;
        best = delimiter;
      }
    }
  }
  return best;
}

/** How much a row looks like a header: names of channels count most, numbers count against. */
function headerScore(cells: readonly string[]): number {
  let score = 0;
  for (const cell of cells) {
    if (cell.trim() === '') continue;
    if (looksNumeric(cell) || looksLikeTime(cell)) score -= 2;
    else score += readHeader(cell).channel ? 3 : 0.2;
  }
  return score;
}

/** Row of the header; -1 where none looks like one. A row of words right above as many numbers is one in any language. */
function findHeader(rows: readonly string[][]): number {
  let at = -1;
  let best = 0.3;
  for (let i = 0; i < Math.min(HEADER_WITHIN, rows.length); i++) {
    const score = headerScore(rows[i]!);
    if (score > best && rows[i]!.length > 1) {
      best = score;
      at = i;
    }
  }
  return best >= 3 ? at : (wordsAboveNumbers(rows) ?? at);
}

function wordsAboveNumbers(rows: readonly string[][]): number | null {
  const isData = (row: readonly string[] | undefined): boolean =>
    row !== undefined && row.length > 1 && row.filter((c) => looksNumeric(c) || looksLikeTime(c)).length >= 2;
  for (let i = 0; i + 1 < Math.min(HEADER_WITHIN, rows.length); i++) {
    const row = rows[i]!;
    const below = isData(rows[i + 1]) || (isData(rows[i + 2]) && rows[i + 1]!.length === row.length);
    const words = row.filter((c) => c.trim() !== '' && !looksNumeric(c) && !looksLikeTime(c)).length;
    if (below && words >= 2 && words >= row.length - 1) return i;
  }
  return null;
}

/** Recognises one-reading-per-row files by their header. */
export function longLayout(header: readonly string[]): LongLayout | null {
  const bare = header.map((h) => h.trim());
  const nameAt = bare.findIndex((h) => NAME.test(h));
  const valueAt = bare.findIndex((h) => VALUE.test(h));
  if (nameAt < 0 || valueAt < 0) return null;
  const unitAt = bare.findIndex((h) => UNIT.test(h));
  const others = bare.map((h, i) => ({ h, i })).filter(({ i }) => ![nameAt, valueAt, unitAt].includes(i));
  const timeAt = (others.find(({ h }) => readHeader(h).channel === 'time_s') ?? others.find(({ h }) => h !== ''))?.i;
  return timeAt === undefined ? null : { timeAt, nameAt, valueAt, unitAt };
}

/** A time before each channel, all called alike: each belongs to the channel behind it. */
function pairedColumns(header: readonly string[]): Dialect['pairs'] {
  const bare = (name: string): string => name.toLowerCase().replace(/[\d\s_.]+/g, '');
  const pairs = header.flatMap((name, timeAt) => {
    const next = header[timeAt + 1];
    const isPair = readHeader(name).channel === 'time_s' && next && readHeader(next).channel !== 'time_s';
    return isPair ? [{ timeAt, valueAt: timeAt + 1 }] : [];
  });
  const alike = new Set(pairs.map((p) => bare(header[p.timeAt]!))).size === 1;
  return pairs.length >= 2 && alike && 2 * pairs.length === header.length ? pairs : null;
}

/** Names for the columns of a file without a header. */
const numbered = (width: number): string[] => Array.from({ length: width }, (_, i) => `column ${i + 1}`);

/**
 * Learns the dialect of a delimited file from its first lines.
 *
 * @param head start of the text, cut at the end of a line
 * @returns null when nothing in it looks like a table
 */
export function sniffDialect(head: string): Dialect | null {
  const named = /^sep=(.)\r?\n/i.exec(head);
  const delimiter = named?.[1] ?? chooseDelimiter(head.slice(0, 40_000));
  const rows = parse(head, delimiter);
  const headerAt = findHeader(rows);
  if (headerAt < 0) return withoutHeader(rows, delimiter);
  const header = rows[headerAt]!.map((h) => h.trim());
  while (header.length > 1 && header.at(-1) === '') header.pop();
  const below = rows[headerAt + 1] ?? [];
  const unitCells = below.map((c) => unitOfText(c));
  const hasUnitRow = below.length > 1 && !below.some(looksNumeric) && unitCells.some((u) => u !== null);
  const data = rows.slice(headerAt + (hasUnitRow ? 2 : 1));
  const long = longLayout(header);
  const style = sniffStyle(data, long);
  return {
    delimiter,
    header,
    headerLine: headerAt + 1,
    units: header.map((_, i) => (hasUnitRow ? (unitCells[i] ?? null) : null)),
    skip: headerAt + (hasUnitRow ? 2 : 1),
    numbers: style ?? PLAIN_NUMBERS,
    numbersOpen: style === null,
    long,
    pairs: long ? null : pairedColumns(header),
  };
}

function sniffStyle(data: readonly string[][], long: LongLayout | null): NumberStyle | null {
  const sample = data.filter((r) => !isBlank(r)).slice(0, STYLE_ROWS);
  const width = Math.max(0, ...sample.map((r) => r.length));
  let columns = Array.from({ length: width }, (_, i) => sample.map((r) => r[i] ?? ''));
  if (long) columns = [long.timeAt, long.valueAt].map((i) => columns[i] ?? []);
  return sniffNumberStyle(columns);
}

function withoutHeader(rows: readonly string[][], delimiter: string): Dialect | null {
  const first = rows.findIndex((r) => r.length > 1 && r.some((c) => looksNumeric(c)));
  if (first < 0) return null;
  const width = rows[first]!.length;
  const alike = rows.filter((r) => r.length === width).length;
  if (alike < 3 || alike < 0.8 * rows.filter((r) => !isBlank(r)).length) return null;
  const style = sniffStyle(rows.slice(first), null);
  return {
    delimiter,
    header: numbered(width),
    headerLine: null,
    units: Array<null>(width).fill(null),
    skip: first,
    numbers: style ?? PLAIN_NUMBERS,
    numbersOpen: style === null,
    long: null,
    pairs: null,
  };
}
