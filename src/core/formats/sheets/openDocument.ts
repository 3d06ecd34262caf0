import { Parser } from 'htmlparser2';
import { fail, type Result } from '../../base';
import type { Archive } from '../bytes/zipArchive';
import { importError, type ImportError } from '../importError';
import type { Reading } from '../readTrace';
import { MOST_COLUMNS } from '../table/readers';
import type { Cell } from '../words/cells';
import { LONGEST_TEXT, MOST_SHEETS } from './limits';
import { newSheet, readLongest, takeRow, type Sheet } from './sheet';
import { readPart, type Attributes } from './xml';

// Elements and attributes of an OpenDocument spreadsheet. Source: ISO/IEC 26300-1:2015, 9.1 and 19.385.

/** Most rows that one element can stand for; a table goes on for a million blank ones. */
const MOST_REPEATS = 100_000;
const DURATION = /^-?PT(?:(\d+)H)?(?:(\d+)M)?(?:([\d.]+)S)?$/;

const two = (text: string | undefined): string => (text ?? '0').padStart(2, '0');

/** A length of time as a log would write it. */
function clockOf(duration: string): string {
  const match = DURATION.exec(duration);
  if (!match) return duration.slice(0, LONGEST_TEXT);
  const [seconds = '0', parts = ''] = (match[3] ?? '0').split('.');
  return `${two(match[1])}:${two(match[2])}:${two(seconds)}${parts ? `.${parts}` : ''}`;
}

function cellOf(a: Attributes, text: string): Cell {
  const kind = a['office:value-type'] ?? a['calcext:value-type'] ?? '';
  const value = Number(a['office:value'] ?? NaN);
  if (kind === 'percentage' && Number.isFinite(value)) return 100 * value;
  if ((kind === 'float' || kind === 'currency') && Number.isFinite(value)) return value;
  if (kind === 'date') return (a['office:date-value'] ?? text).slice(0, 40);
  if (kind === 'time') return clockOf(a['office:time-value'] ?? text);
  if (kind === 'boolean') return a['office:boolean-value'] === 'true' ? 'on' : 'off';
  return text.slice(0, LONGEST_TEXT);
}

const repeats = (text: string | undefined): number => Math.max(1, Math.floor(Number(text ?? 1)) || 1);

class TableRows {
  private sheet: Sheet | null = null;
  private cells: Cell[] = [];
  private line = 0;
  private rowRepeats = 1;
  private cell: Attributes | null = null;
  private text = '';
  private style = '';
  private readonly hiddenStyles = new Set<string>();
  readonly sheets: Sheet[] = [];

  constructor(private readonly begin: (name: string, hidden: boolean) => Sheet) {}

  open(name: string, a: Attributes): void {
    if (name === 'style:style') this.style = a['style:name'] ?? '';
    else if (name === 'style:table-properties' && a['table:display'] === 'false') this.hiddenStyles.add(this.style);
    else if (name === 'table:table' && this.sheets.length < MOST_SHEETS) {
      this.sheet = this.begin(a['table:name'] ?? '', this.hiddenStyles.has(a['table:style-name'] ?? ''));
      this.sheets.push(this.sheet);
      this.line = 0;
    } else if (name === 'table:table-row') {
      this.cells = [];
      this.rowRepeats = repeats(a['table:number-rows-repeated']);
    } else if (name === 'table:table-cell' || name === 'table:covered-table-cell') {
      this.cell = a;
      this.text = '';
    } else if (name === 'text:p' && this.text !== '') this.text += ' ';
  }

  words(piece: string): void {
    if (this.cell && this.text.length < LONGEST_TEXT) this.text += piece;
  }

  close(name: string): void {
    if (name === 'table:table-cell' || name === 'table:covered-table-cell') this.closeCell();
    else if (name === 'table:table-row') this.closeRow();
    else if (name === 'table:table') this.sheet = null;
  }

  private closeCell(): void {
    if (!this.cell) return;
    const value = cellOf(this.cell, this.text.trim());
    const times = Math.min(repeats(this.cell['table:number-columns-repeated']), MOST_COLUMNS - this.cells.length);
    this.cell = null;
    for (let i = 0; i < times; i++) this.cells.push(value);
  }

  private closeRow(): void {
    while (this.cells.at(-1) === '') this.cells.pop();
    const first = this.line + 1;
    this.line += this.rowRepeats;
    if (!this.sheet || this.cells.length === 0) return;
    for (let i = 0; i < Math.min(this.rowRepeats, MOST_REPEATS); i++) {
      if (!takeRow(this.sheet, this.cells, first + i)) return;
    }
  }
}

/** Reads a log from the tables of an OpenDocument spreadsheet, as its content streams by. */
export function readOpenDocument<T>(archive: Archive, reading: Reading<T>): Result<T, ImportError> {
  let locked = false;
  const manifest = new Parser(
    {
      onopentag: (name) => {
        if (name.endsWith('encryption-data')) locked = true;
      },
    },
    { xmlMode: true },
  );
  const rows = new TableRows((name, hidden) =>
    newSheet({ name, hidden, kind: 'workbook', described: `OpenDocument spreadsheet, table ${name}` }, reading),
  );
  const content = new Parser(
    {
      onopentag: (name, a) => rows.open(name, a),
      ontext: (piece) => rows.words(piece),
      onclosetag: (name) => rows.close(name),
    },
    { xmlMode: true },
  );
  const error = readPart(archive, 'META-INF/manifest.xml', manifest);
  if (error) return fail(error);
  if (locked) {
    return fail(
      importError('bad-archive', 'This spreadsheet is locked with a password. Save it without one, or as CSV.'),
    );
  }
  const broken = readPart(archive, 'content.xml', content);
  return broken ? fail(broken) : readLongest(rows.sheets, reading);
}
