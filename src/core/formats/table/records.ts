import Papa from 'papaparse';
import { readHeader } from '../words/headers';
import { LONGEST_LINE } from './lineCutter';
import { LineList } from './lineList';

/** Tables aligned for the eye: two or more blanks part cells, or any. */
const ALIGNED = 'aligned by blanks';
const WORDS = 'parted by blanks';
const DELIMITERS = [',', ';', '\t', '|', '│', ALIGNED, WORDS] as const;
/** How far a delimiter is trusted: commas stand in numbers too, blanks in names. */
const TRUST: Readonly<Partial<Record<string, number>>> = { ',': 0.6, [ALIGNED]: 0.2, [WORDS]: 0.1 };
/** Delimiters that are no single character. */
export const isBlanks = (delimiter: string): boolean => delimiter === ALIGNED || delimiter === WORDS;
/** Text from which the delimiter is told, characters. */
const DELIMITER_HEAD = 40_000;
/** Lines over which a quoted cell may run. */
const QUOTED_LINES = 20;
/** Longest line whose quotes are understood, characters: beyond, they are no text in cells. */
const LONGEST_QUOTED = 4000;

/** One row of a file. */
export interface TextRecord {
  readonly cells: string[];
  /** Line of the file, from 1. */
  readonly line: number;
}

const unquoted = (cell: string): string => cell.replace(/"/g, '');

/** The cells of a line without any quote that means something. */
function plainCells(line: string, delimiter: string): string[] {
  if (delimiter === ALIGNED) return line.trim().split(/ {2,}|\t+/);
  if (delimiter === WORDS) return line.trim().split(/\s+/);
  return line.split(delimiter);
}

function quotedCells(line: string, delimiter: string): string[] {
  if (line.length > LONGEST_QUOTED || isBlanks(delimiter)) return plainCells(line, delimiter).map(unquoted);
  const rows = Papa.parse<string[]>(line, { delimiter, newline: '\n' }).data;
  return rows.length === 1 || line.includes('\n') ? rows[0]! : plainCells(line, delimiter).map(unquoted);
}

/** The cells of lines with balanced quotes, all at once where the library agrees that each is a row. */
function cellsOf(lines: readonly string[], delimiter: string): string[][] {
  if (!isBlanks(delimiter) && lines.every((l) => l.length <= LONGEST_QUOTED)) {
    const rows = Papa.parse<string[]>(lines.join('\n'), { delimiter, newline: '\n' }).data;
    if (rows.length === lines.length) return rows;
  }
  return lines.map((line) => (line.includes('"') ? quotedCells(line, delimiter) : plainCells(line, delimiter)));
}

function isOpen(line: string): boolean {
  let quotes = 0;
  for (let at = line.indexOf('"'); at >= 0; at = line.indexOf('"', at + 1)) quotes++;
  return quotes % 2 === 1;
}

/**
 * Cuts lines of delimited text into cells. Lines without a quote are split as they stand; a quoted cell may run over a
 * few lines; a stray quote costs no more than its own.
 */
export class RecordSplitter {
  private line = 0;
  private waiting: string[] = [];
  private usual = 0;
  /** Lines with a quote that belongs to no cell. */
  readonly strays = new LineList();

  constructor(private readonly delimiter: string) {}

  /** Takes whole lines. */
  push(text: string): TextRecord[] {
    const lines = text.split('\n');
    if (text.endsWith('\n')) lines.pop();
    if (this.waiting.length === 0 && !text.includes('"')) {
      return lines.map((l) => ({ cells: this.widthOf(plainCells(l, this.delimiter)), line: ++this.line }));
    }
    return this.withQuotes(lines);
  }

  /** No more text comes: what was held back for the end of a quoted cell. */
  finish(): TextRecord[] {
    return this.apart();
  }

  private widthOf(cells: string[]): string[] {
    if (this.usual === 0 && cells.length > 1) this.usual = cells.length;
    return cells;
  }

  /** Lines that waited for the end of a quoted cell that never came. */
  private apart(): TextRecord[] {
    const first = this.line - this.waiting.length + 1;
    if (this.waiting.length > 0) this.strays.add(first);
    const found = this.waiting.map((l, i) => ({ cells: plainCells(unquoted(l), this.delimiter), line: first + i }));
    this.waiting = [];
    return found;
  }

  private withQuotes(lines: readonly string[]): TextRecord[] {
    const found: TextRecord[] = [];
    let even: string[] = [];
    const flush = (): void => {
      const first = this.line - even.length + 1;
      cellsOf(even, this.delimiter).forEach((cells, i) => found.push({ cells: this.widthOf(cells), line: first + i }));
      even = [];
    };
    for (const line of lines) {
      const odd = line.includes('"') && isOpen(line);
      if (this.waiting.length > 0) {
        this.line++;
        this.waiting.push(line);
        if (odd) {
          const cells = quotedCells(this.waiting.join('\n'), this.delimiter);
          found.push({ cells, line: this.line - this.waiting.length + 1 });
          this.waiting = [];
        } else if (this.waiting.length > QUOTED_LINES) found.push(...this.apart());
        continue;
      }
      // A row that is whole without its quote has a stray one.
      const stray = odd && plainCells(line, this.delimiter).length === this.usual;
      if (!odd || stray) {
        this.line++;
        if (stray) this.strays.add(this.line);
        even.push(stray ? unquoted(line) : line);
        continue;
      }
      flush();
      this.line++;
      this.waiting.push(line);
    }
    flush();
    return found;
  }
}

/** The delimiter that gives the most equally wide rows near the start; ties go to the one that leaves numbers whole. */
export function chooseDelimiter(head: string): string {
  const named = /^sep=(.)\r?\n/i.exec(head);
  if (named) return named[1]!;
  let best: string = ',';
  let bestScore = 0;
  const text = head.slice(0, Math.min(DELIMITER_HEAD, LONGEST_LINE));
  for (const delimiter of DELIMITERS) {
    const widths = new Map<number, number>();
    const splitter = new RecordSplitter(delimiter);
    for (const { cells } of [...splitter.push(text), ...splitter.finish()]) {
      if (cells.length > 1) widths.set(cells.length, (widths.get(cells.length) ?? 0) + 1);
    }
    for (const [width, count] of widths) {
      const score = count * Math.min(width, 12) * (TRUST[delimiter] ?? 1);
      if (score > bestScore) {
        bestScore = score;
        best = delimiter;
      }
    }
  }
  return best === ALIGNED && holdsTwo(text) ? WORDS : best;
}

/** Single blanks part cells too: two numbers stand in one, or the names of the header do. */
const holdsTwo = (text: string): boolean =>
  new RecordSplitter(ALIGNED)
    .push(text)
    .some(({ cells }) => cells.some((c) => TWO_NUMBERS.test(c)) || (cells.length === 1 && isHeader(cells[0]!)));
const isHeader = (line: string): boolean =>
  line
    .slice(0, LONGEST_QUOTED)
    .split(/\s+/)
    .filter((word) => readHeader(word).channel !== null && readHeader(word).sure).length >= 2;
const TWO_NUMBERS = /^-?\d+(?:[.,]\d+)? -?\d+(?:[.,]\d+)?$/;
