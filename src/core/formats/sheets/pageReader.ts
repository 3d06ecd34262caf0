import { Parser } from 'htmlparser2';
import { importError, type ImportError } from '../importError';
import type { ReadOptions } from '../importReport';
import { gridReader, type GridReader } from '../table/gridReader';
import { LineList } from '../table/lineList';
import { MOST_COLUMNS, timeColumnsOf, tooLargeTable, type Source, type SourceReader } from '../table/readers';
import { RowTable } from '../table/rowTable';
import type { Cell } from '../words/cells';
import { LONGEST_TEXT, MOST_SHEETS } from './limits';
import { bare, type Attributes } from './xml';

/** A page or the XML of a spreadsheet by its first words. */
export const isMarkup = (head: string): boolean =>
  /^\s*<(?:!doctype|html|head|meta|body|style|table|div|\?xml|!--|[a-z]+[ >:])/i.test(head.slice(0, 200));

const NO_TABLE = importError(
  'not-text',
  'This is a web page or an XML file without a table of readings, not a log. Download the log itself, or export it as CSV.',
);

/** Elements of a row and of a cell: of a page, and of the XML that spreadsheets write. */
const ROW = new Set(['tr', 'row']);
const CELL = new Set(['td', 'th', 'cell']);

/** Reader for tables in pages and for spreadsheets saved as XML: the longest table is the log. */
export function pageReader(options: ReadOptions): SourceReader {
  const grids: GridReader[] = [];
  let current: { grid: GridReader; line: number } | null = null;
  let cells: Cell[] = [];
  let cell: { text: string; figure: number | null } | null = null;
  let problem: ImportError | null = null;
  let longest: GridReader | null = null;

  const open = (name: string, a: Attributes): void => {
    if (name === 'table' && grids.length < MOST_SHEETS) {
      const grid = gridReader({
        kind: 'page',
        described: 'table of a page',
        timeColumns: timeColumnsOf(options),
        addressed: false,
      });
      grids.push(grid);
      current = { grid, line: 0 };
    } else if (ROW.has(name)) cells = [];
    else if (CELL.has(name)) {
      const place = Number(a['ss:Index'] ?? a.index ?? NaN);
      while (Number.isFinite(place) && cells.length < Math.min(place - 1, MOST_COLUMNS)) cells.push('');
      const exact = Number(a['x:num'] || NaN);
      cell = { text: '', figure: Number.isFinite(exact) ? exact : null };
    } else if (name === 'data' && cell && (a['ss:Type'] ?? a.type) === 'Number') cell.figure = NaN;
    else if (name === 'br' && cell) cell.text += ' ';
  };

  const close = (name: string): void => {
    if (CELL.has(name) && cell) {
      const text = cell.text.trim().slice(0, LONGEST_TEXT);
      const figure = cell.figure === null ? null : Number.isNaN(cell.figure) ? Number(text) : cell.figure;
      if (cells.length <= MOST_COLUMNS) cells.push(figure !== null && Number.isFinite(figure) ? figure : text);
      cell = null;
    } else if (ROW.has(name) && current) {
      current.line++;
      problem ??= current.grid.take(cells, current.line) ?? tooLargeTable(current.grid.source.table);
      cells = [];
    }
  };

  const parser = new Parser(
    {
      onopentag: (name, a) => open(bare(name).toLowerCase(), a),
      ontext: (piece) => {
        if (cell && cell.text.length < LONGEST_TEXT) cell.text += piece;
      },
      onclosetag: (name) => close(bare(name).toLowerCase()),
    },
    { lowerCaseTags: false, lowerCaseAttributeNames: false },
  );

  /** Only the end tells which table is the log. */
  const source: Source = {
    kind: 'page',
    get table() {
      return longest?.source.table ?? EMPTY_TABLE;
    },
    get headerLine() {
      return longest?.source.headerLine ?? null;
    },
    get described() {
      return longest?.source.described ?? 'page';
    },
    get oneReadingPerRow() {
      return longest?.source.oneReadingPerRow ?? false;
    },
    get repeatedHeader() {
      return longest?.source.repeatedHeader ?? new LineList();
    },
    notes: () => longest?.source.notes() ?? [],
  };

  return {
    source,
    push: (text) => {
      parser.write(text);
      return problem;
    },
    finish: () => {
      parser.end();
      if (problem) return problem;
      const read = grids.filter((g) => g.end() === null);
      longest = read.reduce<GridReader | null>(
        (a, b) => (a && a.source.table.rows >= b.source.table.rows ? a : b),
        null,
      );
      return longest ? null : NO_TABLE;
    },
  };
}

const EMPTY_TABLE = new RowTable();
