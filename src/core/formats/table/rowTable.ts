import { readNumber, readSwitch, type NumberStyle } from '../words/cells';
import { readHeader, unitOfText } from '../words/headers';
import { readTimeCell, type TimeKind } from '../words/timeCells';

/**
 * Rows of a log that gives one reading per line: readings of one time share a row, wherever they stand in the file. A
 * channel that reads twice at one time begins another row.
 */
export class RowsByTime {
  private readonly rowOf = new Map<string, number>();

  constructor(private readonly table: RowTable) {}

  /** Puts a reading; `timeAt` and `at` are columns of the table. */
  put(reading: { time: string; timeAt: number; at: number; cell: string; line: number }): void {
    const { time, timeAt, at, cell, line } = reading;
    let row = this.rowOf.get(time);
    if (row === undefined || Number.isFinite(this.table.columns[at]!.numbers.get(row))) {
      this.table.startRow(line);
      row = this.table.rows - 1;
      this.table.put(timeAt, time, line);
      this.rowOf.set(time, row);
    }
    this.table.put(at, cell, line, row);
  }
}

/** A list of numbers that grows; NaN where nothing was put. */
export class GrowingNumbers {
  private data = new Float64Array(1024);
  length = 0;

  /** Puts a value at an index at or beyond the end, or over an earlier one. */
  set(index: number, value: number): void {
    if (index >= this.data.length) {
      const larger = new Float64Array(Math.max(index + 1, 2 * this.data.length));
      larger.set(this.data);
      this.data = larger;
    }
    if (index > this.length) this.data.fill(NaN, this.length, index);
    this.data[index] = value;
    if (index >= this.length) this.length = index + 1;
  }

  get(index: number): number {
    return index < this.length ? this.data[index]! : NaN;
  }

  /** The values, filled up with NaN to `length`. */
  values(length: number): Float64Array {
    const out = new Float64Array(length).fill(NaN);
    out.set(this.data.subarray(0, Math.min(length, this.length)));
    return out;
  }
}

/** Values of a sample that decides what a column is. */
const SAMPLE_VALUES = 20_000;

/** Values that are present, evenly spread over a column, in their order. */
export function presentSample(numbers: GrowingNumbers): Float64Array {
  let present = 0;
  for (let i = 0; i < numbers.length; i++) if (Number.isFinite(numbers.get(i))) present++;
  const step = Math.max(1, Math.ceil(present / SAMPLE_VALUES));
  const out = new Float64Array(Math.ceil(present / step));
  let seen = 0;
  for (let i = 0; i < numbers.length; i++) {
    const value = numbers.get(i);
    if (!Number.isFinite(value)) continue;
    if (seen % step === 0) out[seen / step] = value;
    seen++;
  }
  return out;
}

/** Most lines kept of where something was found. */
export const MOST_LINES = 20;

/** Lines where something was found: how many, and the first few. */
export class LineList {
  count = 0;
  readonly lines: number[] = [];

  add(line: number): void {
    this.count++;
    if (this.lines.length < MOST_LINES) this.lines.push(line);
  }
}

/** True when a cell ends in something else than a figure: a unit stands behind its number. */
function hasWordBehind(cell: string): boolean {
  const last = cell.charCodeAt(cell.length - 1);
  return !(last >= 48 && last <= 57) && last !== 46 && last !== 34 && /[a-z°º%]\s*"?$/i.test(cell);
}

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

  /** @param timeColumns columns that a person said hold the time, by number */
  constructor(
    private readonly style: NumberStyle,
    private readonly timeColumns: ReadonlySet<number> = new Set(),
  ) {}

  /** Adds a column; `isTime` columns read clocks and dates as well as numbers. */
  addColumn(header: string, unit: string | null, isTime: boolean, foreign = false): number {
    this.columns.push({
      header,
      foreign,
      unit,
      numbers: new GrowingNumbers(),
      alternative: isTime || this.timeColumns.has(this.columns.length) ? new GrowingNumbers() : null,
      kinds: {},
      proved: { dayMonth: false, monthDay: false },
      filled: 0,
      unreadable: new LineList(),
      firstUnreadable: '',
      marks: MARK_HEADER.test(header.trim()) ? [] : null,
      switches: null,
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
    if (column.unreadable.count > 0 || column.switches || column.unit !== null) return false;
    column.alternative = column.numbers;
    column.kinds.number = column.filled;
    return true;
  }

  /** Begins a row. */
  startRow(line: number): void {
    this.lines.set(this.rows++, line);
  }

  /** Puts a cell of the current row, or of an earlier one, into a column. */
  put(at: number, cell: string, line: number, row = this.rows - 1): void {
    if (cell === '') return;
    const column = this.columns[at]!;
    if (column.marks) return putMark(column.marks, cell, line);
    if (column.alternative) return this.putTime(column, row, cell, line);
    const value = readNumber(cell, this.style);
    if (value === null || Number.isNaN(value)) {
      const state = readSwitch(cell);
      if (state !== null) return (column.switches ??= new GrowingNumbers()).set(row, state);
      if (value !== null) return;
      column.filled++;
      if (column.unreadable.count === 0) column.firstUnreadable = cell.trim();
      column.unreadable.add(line);
      return;
    }
    column.filled++;
    if (hasWordBehind(cell) && !this.agrees(column, cell)) {
      if (column.unreadable.count === 0) column.firstUnreadable = cell.trim();
      column.unreadable.add(line);
      return;
    }
    column.numbers.set(row, value);
  }

  /** Notes the unit behind a number; false where it is another than the column's before. */
  private agrees(column: TableColumn, cell: string): boolean {
    const unit = unitOfText(cell.replace(/^[^a-z°º%µ]*/i, ''));
    if (unit === null || readHeader(column.header).channel === 'time_s') return true;
    column.unit ??= unit;
    return column.unit === unit;
  }

  private putTime(column: TableColumn, row: number, cell: string, line: number): void {
    if (cell.trim() === '') return;
    column.filled++;
    const reading = readTimeCell(cell, this.style);
    if (!reading) {
      if (column.unreadable.count === 0) column.firstUnreadable = cell.trim();
      column.unreadable.add(line);
      return;
    }
    column.kinds[reading.kind] = (column.kinds[reading.kind] ?? 0) + 1;
    if (reading.proves === 'day-month') column.proved.dayMonth = true;
    else if (reading.proves === 'month-day') column.proved.monthDay = true;
    column.numbers.set(row, reading.first);
    column.alternative!.set(row, reading.second);
  }
}
