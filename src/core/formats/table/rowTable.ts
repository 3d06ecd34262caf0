import { isMissing, readSwitch, readWritten, type Cell, type NumberStyle } from '../words/cells';
import { clip, unitOfHeader, unitOfText } from '../words/headers';
import { readTimeCell, type TimeKind } from '../words/timeCells';
import { GrowingNumbers } from './growingNumbers';
import { CellList, LineList } from './lineList';
import { NumberForms } from './numberForms';

/** A column while a file is read. */
export interface TableColumn {
  readonly header: string;
  /** True for what another control unit than the engine's says: it is never read. */
  readonly foreign: boolean;
  /** From the units row, or behind the numbers. */
  unit: string | null;
  /** Numbers of a value column; first reading of a time column. */
  readonly numbers: GrowingNumbers;
  /** Second reading of a time column, see `TimeReading`. */
  alternative: GrowingNumbers | null;
  /** Votes for what a time column is. */
  readonly kinds: Partial<Record<TimeKind, number>>;
  readonly proved: { dayMonth: boolean; monthDay: boolean };
  /** Cells that hold something, unreadable ones included. */
  filled: number;
  readonly unreadable: LineList;
  firstUnreadable: string;
  /** Words of a column of marks, with the line that each stands on; null for every other column. */
  readonly marks: { readonly line: number; readonly text: string }[] | null;
  /** 100 and 0 for switch words (on, off): readings of a command, none of a measurement; null before the first. */
  switches: GrowingNumbers | null;
  readonly forms: NumberForms;
  /** Cells by the word behind their number. */
  readonly words: Map<string, CellList>;
  /** Marks before three digits can mean decimals or thousands here: only a person knows. */
  open: boolean;
}

/** Headers of columns in which people write what they saw while driving. */
const MARK_HEADER = /^(marks?|markers?|events?|comments?|remarks?)$/i;
/** Most marks that are kept of a file: a column with words on every row is no column of marks. */
const MOST_MARKS = 400;

function putMark(marks: { line: number; text: string }[], cell: string, line: number): void {
  const text = cell.trim().replace(/^"|"$/g, '');
  // Loggers count their markers: a bare figure in such a column says where one was set.
  const repeats = /^\d+$/.test(text) && marks.at(-1)?.text === text;
  if (text !== '' && text !== '0' && !repeats && marks.length < MOST_MARKS)
    marks.push({ line, text: text.slice(0, 200) });
}

/**
 * The rows of a file as columns of numbers: what is kept while a file streams by. Text is read into numbers at once,
 * so that a million rows take a few bytes each.
 */
export class RowTable {
  readonly columns: TableColumn[] = [];
  readonly lines = new GrowingNumbers();
  rows = 0;

  /** Rows of another width than the header, with their lines: their cells may stand under the wrong names. */
  readonly oddRows = new CellList(Infinity);
  private cells = 0;

  /** @param timeColumns columns that a person said hold the time, by number */
  constructor(private readonly timeColumns: ReadonlySet<number> = new Set()) {}

  /** Adds a column; `isTime` columns read clocks and dates as well as numbers. */
  addColumn(header: string, unit: string | null, isTime: boolean, foreign = false): number {
    this.columns.push({
      header: clip(header),
      foreign,
      unit,
      numbers: new GrowingNumbers(),
      alternative: isTime || this.timeColumns.has(this.columns.length) ? new GrowingNumbers() : null,
      kinds: {},
      proved: { dayMonth: false, monthDay: false },
      filled: 0,
      unreadable: new LineList(),
      firstUnreadable: '',
      marks: MARK_HEADER.test(clip(header).trim()) ? [] : null,
      switches: null,
      forms: new NumberForms(),
      words: new Map(),
      open: false,
    });
    return this.columns.length - 1;
  }

  /** Takes a column for the engine's after all, under this name: only the end of a file tells. */
  own(at: number, header: string): void {
    this.columns[at] = { ...this.columns[at]!, header, foreign: false };
  }

  /** Takes a column for one of time after its rows were read; false where its cells are more than plain numbers. */
  takeAsTime(at: number): boolean {
    const column = this.columns[at];
    if (!column || column.alternative) return column !== undefined;
    if (column.unreadable.count > 0 || column.switches || column.words.size > 0) return false;
    column.alternative = column.numbers;
    column.kinds.number = column.filled;
    return true;
  }

  /** Cells that hold something, of all columns: what the table weighs. */
  get size(): number {
    return this.cells;
  }

  /** Begins a row. */
  startRow(line: number): void {
    this.lines.set(this.rows++, line);
  }

  /** Puts a cell of the current row, or of an earlier one, into a column. */
  put(at: number, cell: Cell, line: number, row = this.rows - 1): void {
    if (typeof cell === 'string') cell = withoutBlanks(cell);
    if (cell === '') return;
    this.cells++;
    const column = this.columns[at]!;
    if (column.marks) return putMark(column.marks, String(cell), line);
    if (column.alternative) return this.putTime(column, row, cell, line);
    if (typeof cell === 'number') return putNumber(column, row, cell);
    if (putPlain(column, row, cell, line)) return;
    if (isMissing(cell) || readSwitch(cell) !== null) {
      const state = readSwitch(cell);
      if (state !== null) (column.switches ??= new GrowingNumbers()).set(row, state);
      return;
    }
    column.filled++;
    const written = readWritten(cell);
    if (!written) return refuseCell(column, cell, line);
    column.forms.add(written, row, line);
    column.numbers.set(row, written.value);
    if (written.unit !== '') {
      const word = unitOfText(written.unit) ?? written.unit.toLowerCase();
      let cells = column.words.get(word);
      if (!cells) column.words.set(word, (cells = new CellList(Infinity)));
      cells.add(row, line);
    }
  }

  private putTime(column: TableColumn, row: number, cell: Cell, line: number): void {
    if (typeof cell === 'number') {
      column.kinds.number = (column.kinds.number ?? 0) + 1;
      return putNumber(column, row, cell);
    }
    if (cell.length !== STAMP_DIGITS && putPlain(column, row, cell, line)) {
      column.kinds.number = (column.kinds.number ?? 0) + 1;
      return;
    }
    column.filled++;
    const reading = readTimeCell(cell);
    if (!reading) return refuseCell(column, cell, line);
    column.kinds[reading.kind] = (column.kinds[reading.kind] ?? 0) + 1;
    if (reading.written) column.forms.add(reading.written, row, line);
    if (reading.proves === 'day-month') column.proved.dayMonth = true;
    else if (reading.proves === 'month-day') column.proved.monthDay = true;
    column.numbers.set(row, reading.first);
    column.alternative!.set(row, reading.second);
  }

  /** The mark of the decimals of the file, as far as its columns show one. */
  private get fileMark(): '.' | ',' | null {
    const votes = (mark: '.' | ','): number => this.columns.reduce((sum, c) => sum + c.forms.votes(mark), 0);
    const [dots, commas] = [votes('.'), votes(',')];
    return dots === commas ? null : dots > commas ? '.' : ',';
  }

  /** A column whose marks only a person can tell. */
  get isOpen(): boolean {
    return this.columns.some((c) => c.open);
  }

  /** Empties rows that are not to be believed. */
  blank(rows: Iterable<number>): void {
    for (const row of rows) {
      for (const column of this.columns) if (Number.isFinite(column.numbers.get(row))) column.numbers.set(row, NaN);
    }
  }

  /** How the file writes its numbers, in words. */
  get style(): string {
    const comma = this.fileMark === ',' ? 'comma' : 'point';
    return `decimal ${comma}${this.columns.some((c) => c.forms.isGrouped) ? ', thousands marks' : ''}`;
  }

  /** All rows are here: settles what marks and words of each column mean. To be called once. */
  settle(person: NumberStyle | null): void {
    const { fileMark } = this;
    for (const column of this.columns) {
      if (column.marks) continue;
      column.open = column.forms.settle(column.numbers, { header: column.header, fileMark, person }, (_, line) =>
        refuseCell(column, 'a number with another mark', line),
      );
      settleWords(column);
    }
  }
}

/** Longest number that is read at once, characters. */
const LONGEST_PLAIN = 15;
const POWERS = Array.from({ length: LONGEST_PLAIN }, (_, i) => 10 ** i);
/** So many digits in a time column are a date without marks, see `readTimeCell`. */
const STAMP_DIGITS = 14;

/** Trims a cell, most of which have nothing to trim. */
function withoutBlanks(cell: string): string {
  const last = cell.length - 1;
  return last >= 0 && (cell.charCodeAt(0) <= 32 || cell.charCodeAt(last) <= 32) ? cell.trim() : cell;
}

function refuseCell(column: TableColumn, cell: string, line: number): void {
  if (column.unreadable.count === 0) column.firstUnreadable = clip(cell.trim());
  column.unreadable.add(line);
}

function putNumber(column: TableColumn, row: number, value: number): void {
  if (!Number.isFinite(value)) return;
  column.filled++;
  column.numbers.set(row, value);
}

const ZERO = 48;
const NINE = 57;
const MINUS = 45;
const POINT = 46;
const COMMA = 44;

/**
 * Puts a number with one mark or none and says that it did; nearly every cell is one. Up to 15 digits are whole in a
 * double, and so is the power of ten below them: the quotient is the nearest double, as `Number` gives it.
 */
function putPlain(column: TableColumn, row: number, cell: string, line: number): boolean {
  const { length } = cell;
  if (length > LONGEST_PLAIN) return false;
  const from = cell.charCodeAt(0) === MINUS ? 1 : 0;
  let digits = 0;
  let mark = -1;
  for (let i = from; i < length; i++) {
    const code = cell.charCodeAt(i);
    if (code >= ZERO && code <= NINE) digits = 10 * digits + (code - ZERO);
    else if ((code === POINT || code === COMMA) && mark < 0) mark = i;
    else return false;
  }
  if (length - from < (mark < 0 ? 1 : 2)) return false;
  const below = mark < 0 ? 0 : length - mark - 1;
  const size = digits / POWERS[below]!;
  const value = from === 1 ? -size : size;
  if (mark < 0) column.forms.whole(value);
  else {
    const which = cell.charCodeAt(mark) === COMMA ? ',' : '.';
    const isLike = below === 3 && mark > from && mark - from <= 3 && cell.charCodeAt(from) !== ZERO;
    if (isLike) column.forms.like(which, row, line);
    else column.forms.decimal(which, row, line);
  }
  column.filled++;
  column.numbers.set(row, value);
  return true;
}

/** Share of a column's cells that must carry a word for it to be the column's unit. */
const MOST_CELLS = 0.5;

/** A word behind most numbers of a column is its unit; behind a few it makes those cells doubtful. */
function settleWords(column: TableColumn): void {
  if (column.words.size === 0) return;
  const isTime = column.alternative !== null;
  const [word, cells] = [...column.words].reduce((a, b) => (b[1].count > a[1].count ? b : a));
  const isColumns = cells.count >= MOST_CELLS * (column.filled - column.unreadable.count);
  if (isColumns) column.unit ??= unitOfText(word);
  const named = unitOfHeader(column.header) ?? column.unit;
  for (const [other, list] of column.words) {
    if ((isColumns && other === word) || other === named || (isTime && other === 's')) continue;
    list.rows.forEach((row, i) => {
      if (!Number.isFinite(column.numbers.get(row))) return;
      column.numbers.set(row, NaN);
      refuseCell(column, `a number in ${other}`, list.lines[i]!);
    });
  }
}
