import Papa from 'papaparse';
import type { NumberStyle } from '../words/cells';
import type { Dialect } from './dialect';
import { readHeader } from '../words/headers';
import { importError, type ImportError } from '../importError';
import { MOST_COLUMNS, type SourceReader } from './readers';
import { LineList, RowsByTime, RowTable } from './rowTable';
import { looksLikeTime } from '../words/timeCells';

const DELIMITER_NAME: Readonly<Record<string, string>> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'pipe' };
/** Data rows looked at to find time columns that the header does not name, and rows that are too wide. */
const EARLY_ROWS = 50;
/** Share of rows wider than the header from which the file is refused. */
const MOST_TOO_WIDE = 0.2;

const trimmed = (cell: string | undefined): string => (cell ?? '').trim();

function describe(dialect: Dialect, numbers: NumberStyle): string {
  const name = DELIMITER_NAME[dialect.delimiter] ?? `"${dialect.delimiter}"`;
  const marks = numbers.grouped ? ', thousands marks' : '';
  const layout = dialect.long ? ', one reading per row' : dialect.pairs ? ', a time beside each channel' : '';
  return `${name} separated, decimal ${numbers.decimalComma ? 'comma' : 'point'}${marks}${layout}`;
}

/** Reads rows whose every reading stands in a row of its own: time, name, value. */
class LongRows {
  private readonly columns = new Map<string, number>();
  private readonly rows: RowsByTime;

  constructor(
    private readonly table: RowTable,
    private readonly layout: NonNullable<Dialect['long']>,
  ) {
    this.rows = new RowsByTime(table);
  }

  add(cells: readonly string[], line: number): ImportError | null {
    const { nameAt, valueAt, unitAt, timeAt } = this.layout;
    const unit = unitAt >= 0 ? trimmed(cells[unitAt]) : '';
    const name = `${trimmed(cells[nameAt])}${unit ? ` (${unit})` : ''}`;
    let at = this.columns.get(name);
    if (at === undefined) {
      if (this.columns.size >= MOST_COLUMNS) return tooManyColumns(line);
      at = this.table.addColumn(name, null, false);
      this.columns.set(name, at);
    }
    this.rows.put({ time: cells[timeAt] ?? '', timeAt: 0, at, cell: cells[valueAt] ?? '', line });
    return null;
  }
}

/** Reads rows in which each channel stands beside a time of its own: time, value, time, value. */
class PairedRows {
  private readonly rows: RowsByTime;
  private readonly pairs: { readonly timeAt: number; readonly valueAt: number; readonly at: number }[] = [];

  constructor(table: RowTable, dialect: Dialect) {
    this.rows = new RowsByTime(table);
    for (const { timeAt, valueAt } of dialect.pairs!) {
      const at = table.addColumn(dialect.header[valueAt]!, dialect.units[valueAt] ?? null, false);
      this.pairs.push({ timeAt, valueAt, at });
    }
  }

  add(cells: readonly string[], line: number): null {
    for (const { timeAt, valueAt, at } of this.pairs) {
      const time = trimmed(cells[timeAt]);
      if (time !== '') this.rows.put({ time, timeAt: 0, at, cell: cells[valueAt] ?? '', line });
    }
    return null;
  }
}

const tooManyColumns = (line: number | null): ImportError =>
  importError(
    'too-many-columns',
    `The file has more than ${MOST_COLUMNS} columns: that is no log of one drive. Export only the channels of the warm-up.`,
    { line },
  );

/** Reader for delimited text. */
export function delimitedReader(
  dialect: Dialect,
  how: { readonly numbers: NumberStyle; readonly open: boolean; readonly timeColumns: ReadonlySet<number> },
): SourceReader {
  const { numbers, open } = how;
  const table = new RowTable(numbers, how.timeColumns);
  const repeatedHeader = new LineList();
  const { header, long } = dialect;
  const width = header.length;
  let line = 0;
  let early: { cells: string[]; line: number }[] | null = [];
  let rowsSeen = 0;
  let tooWide = 0;
  let order: number[] | null = null;
  let ownRows: LongRows | PairedRows | null = null;
  const headerSet = new Map(header.map((h, i) => [h, i]));

  const addColumns = (sample: readonly string[][]): void => {
    const timeAt = long?.timeAt ?? dialect.pairs?.[0]?.timeAt;
    if (timeAt !== undefined) {
      table.addColumn(header[timeAt]!, dialect.units[timeAt] ?? null, true);
      ownRows = long ? new LongRows(table, long) : new PairedRows(table, dialect);
      return;
    }
    header.forEach((name, i) => {
      const named = readHeader(name).channel === 'time_s';
      const stamps = sample.filter((cells) => looksLikeTime(cells[i] ?? '')).length;
      table.addColumn(name, dialect.units[i] ?? null, named || stamps > 0.5 * sample.length);
    });
  };

  /** The header once more, maybe with its columns in another order. */
  const isHeaderAgain = (cells: readonly string[]): boolean => {
    if (dialect.headerLine === null || !headerSet.has(trimmed(cells[0])) || width < 2) return false;
    const found = cells.slice(0, width).map((c) => headerSet.get(c.trim()));
    if (found.some((f) => f === undefined) || new Set(found).size !== found.length) return false;
    order = found.every((f, i) => f === i) ? null : (found as number[]);
    return true;
  };

  const addRow = (cells: string[], at: number): ImportError | null => {
    if (cells.length === 1 && cells[0] === '') return null;
    if (isHeaderAgain(cells)) {
      repeatedHeader.add(at);
      return null;
    }
    if (cells.every((c) => c.trim() === '')) return null;
    rowsSeen++;
    if (cells.length > width && cells.slice(width).some((c) => c.trim() !== '')) tooWide++;
    if (ownRows) return ownRows.add(cells, at);
    table.startRow(at);
    const n = Math.min(width, cells.length);
    for (let i = 0; i < n; i++) table.put(order ? order[i]! : i, cells[i]!, at);
    return null;
  };

  const flushEarly = (): ImportError | null => {
    if (!early) return null;
    const held = early;
    early = null;
    if (width > MOST_COLUMNS) return tooManyColumns(dialect.headerLine);
    addColumns(held.map((r) => r.cells));
    for (const row of held) {
      const error = addRow(row.cells, row.line);
      if (error) return error;
    }
    return null;
  };

  const push = (text: string): ImportError | null => {
    const rows = Papa.parse<string[]>(text.endsWith('\n') ? text.slice(0, -1) : text, {
      delimiter: dialect.delimiter,
      skipEmptyLines: false,
    }).data;
    for (const cells of rows) {
      line++;
      if (line <= dialect.skip) continue;
      if (early) {
        if (cells.some((c) => c.trim() !== '')) early.push({ cells, line });
        if (early.length < EARLY_ROWS) continue;
        const error = flushEarly();
        if (error) return error;
      } else {
        const error = addRow(cells, line);
        if (error) return error;
      }
    }
    return null;
  };

  const finish = (): ImportError | null => {
    const error = flushEarly();
    if (error) return error;
    if (tooWide > MOST_TOO_WIDE * Math.max(1, rowsSeen)) {
      return importError(
        'ragged-rows',
        `${tooWide} of ${rowsSeen} rows have more cells than the ${width} columns of the header${dialect.headerLine === null ? '' : ` on line ${dialect.headerLine}`}. Decimal commas in a comma separated file do this: export with semicolons, or with decimal points.`,
        { line: dialect.headerLine },
      );
    }
    return null;
  };

  return {
    kind: 'delimited',
    table,
    headerLine: dialect.headerLine,
    described: describe(dialect, numbers),
    numbersOpen: open,
    oneReadingPerRow: long !== null || dialect.pairs !== null,
    repeatedHeader,
    notes: () => [],
    push,
    finish,
  };
}
