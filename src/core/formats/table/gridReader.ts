import { cellText, type Cell } from '../words/cells';
import { readHeader, unitOfText } from '../words/headers';
import { importError, type ImportError } from '../importError';
import { looksLikeTime } from '../words/timeCells';
import { sniffLayout, type Layout } from './layout';
import { LineList } from './lineList';
import { LongRows, PairedRows } from './ownRows';
import { MOST_COLUMNS, tooManyColumns, type Source, type SourceKind } from './readers';
import { RowTable } from './rowTable';

/** Rows from which the layout of a table is told. */
const SAMPLE_ROWS = 400;
/** Data rows looked at to find time columns that the header does not name. */
const EARLY_ROWS = 50;
/** Share of rows wider than the header from which the file is refused. */
const MOST_TOO_WIDE = 0.2;
/** Rows of a sheet that lack a cell in their middle, per row that lacks one at its end, that make it a sparse log. */
const LIKE_ENDS = 0.3;
/** Most lines: a few may be blank, but a file of nothing else is no log. */
const MOST_BLANK = 1_000_000;

const NO_HEADER = importError(
  'no-header',
  'No header row was found in the first 120 lines. The first row should name the columns, for example time_s,ect_c.',
  { line: 1 },
);

/** What is known of a table before its rows come. */
export interface GridHow {
  readonly kind: SourceKind;
  readonly described: string;
  /** Columns that a person said hold the time. */
  readonly timeColumns: ReadonlySet<number>;
  /** Each cell says in which column it stands (sheets): cells that were never written are missing, not lost. */
  readonly addressed: boolean;
}

/** Takes the rows of a table one by one. */
export interface GridReader {
  readonly source: Source;
  /** Takes a row with its line. Returns what is wrong, if anything. */
  readonly take: (cells: readonly Cell[], line: number) => ImportError | null;
  /** No more rows come. */
  readonly end: () => ImportError | null;
}

const isBlank = (cells: readonly Cell[]): boolean => cells.every((c) => typeof c === 'string' && c.trim() === '');

/** A line that is drawn between rows. */
const isRule = (cells: readonly Cell[]): boolean =>
  cells.every((c) => typeof c === 'string' && /^[-=+|:─━═┼│┌┐└┘├┤┬┴\s]*$/.test(c)) &&
  /[-=─━═]{2}/.test(cells.join(' '));

/** Rows of figures above a header from which on they are worth a remark. */
const FEWEST_UNREAD = 3;
const isFigures = (cells: readonly Cell[]): boolean => {
  const figures = cells.filter((c) => FIGURE.test(cellText(c))).length;
  return figures >= 2 && 2 * figures >= cells.length;
};

const withoutBlankEnd = (cells: readonly Cell[]): number => {
  let n = cells.length;
  while (n > 0 && cellText(cells[n - 1]).trim() === '') n--;
  return n;
};

const FIGURE = /^\s*[-+−]?[.,]?\d/;

interface Row {
  readonly cells: readonly Cell[];
  readonly line: number;
}

/** The rows of one table once its layout is known. */
class LaidOut {
  readonly repeatedHeader = new LineList();
  readonly notes: string[] = [];
  headerLine: number | null = null;
  private readonly width: number;
  private readonly least: number;
  private readonly places: ReadonlyMap<string, number>;
  private order: readonly number[] | null = null;
  private own: LongRows | PairedRows | null = null;
  private seen = 0;
  private tooWide = 0;
  private withBlanks = 0;

  constructor(
    private readonly layout: Layout,
    private readonly table: RowTable,
    private readonly how: GridHow,
  ) {
    const { header } = layout;
    this.width = header.length;
    // Columns of remarks at the end are left off where nothing was remarked.
    let least = header.length;
    while (least > 2 && isRemark(header[least - 1]!)) least--;
    this.least = least;
    this.places = new Map(header.map((h, i) => [h, i]));
  }

  addColumns(sample: readonly Row[]): void {
    const { layout, table } = this;
    const { header, long, pairs, units } = layout;
    const timeAt = long?.timeAt ?? pairs?.[0]?.timeAt;
    if (timeAt !== undefined) {
      table.addColumn(header[timeAt]!, units[timeAt] ?? null, true);
      this.own = long ? new LongRows(table, long) : new PairedRows(table, layout);
      return;
    }
    const early = sample.slice(0, EARLY_ROWS);
    header.forEach((name, i) => {
      const named = readHeader(name).channel === 'time_s';
      const stamps = early.filter(({ cells }) => looksLikeTime(cellText(cells[i]))).length;
      table.addColumn(name, units[i] ?? null, named || stamps > 0.5 * early.length);
    });
  }

  /** The header once more, maybe with its columns in another order. */
  private isHeaderAgain(cells: readonly Cell[]): boolean {
    if (this.headerLine === null || this.width < 2) return false;
    const first = cells[0];
    if (typeof first !== 'string' || FIGURE.test(first) || !this.places.has(first.trim())) return false;
    const names = cells.slice(0, this.width).map((c) => cellText(c).trim());
    if (names.length === this.width && names.every((n, i) => n === this.layout.header[i])) {
      this.order = null;
      return true;
    }
    const found = names.map((n) => this.places.get(n));
    if (found.length < this.width || found.includes(undefined) || new Set(found).size !== found.length) return false;
    this.order = found.every((f, i) => f === i) ? null : (found as number[]);
    return true;
  }

  /** Another header or the row of its units: words where the columns hold figures. */
  private isOtherHeader(cells: readonly Cell[]): 'names' | 'units' | null {
    if (this.headerLine === null || typeof cells[0] !== 'string' || cells.some((c) => FIGURE.test(cellText(c)))) {
      return null;
    }
    const words = cells.map(cellText).filter((c) => c.trim() !== '');
    if (words.length >= 2 && words.every((w) => unitOfText(w) !== null)) return 'units';
    const named = words.filter((w) => readHeader(w).channel !== null && readHeader(w).sure).length;
    return named >= 2 && named >= 0.5 * words.length ? 'names' : null;
  }

  add({ cells, line }: Row): ImportError | null {
    if (this.isHeaderAgain(cells)) {
      this.repeatedHeader.add(line);
      return null;
    }
    const filled = withoutBlankEnd(cells);
    if (filled === 0) return null;
    const other = this.isOtherHeader(cells);
    if (other === 'units') {
      this.repeatedHeader.add(line);
      return null;
    }
    if (other === 'names' && !this.own) {
      const ours = cells.every((c) => cellText(c).trim() === '' || this.places.has(cellText(c).trim()));
      if (!ours) return anotherTable(line);
      // A part of the header: no row, and what follows is held to its width.
      this.table.startRow(line);
      this.table.oddRows.add(this.table.rows - 1, line);
      return null;
    }
    this.seen++;
    if (this.own) return this.addOwn(cells, line);
    this.table.startRow(line);
    const isWide = filled > this.width;
    if (isWide) this.tooWide++;
    // A row of text with its own empty cells at the end is as wide as it is written.
    if (isWide || cells.length < this.least) this.table.oddRows.add(this.table.rows - 1, line);
    else if (this.how.addressed && cells.slice(0, filled).includes('')) this.withBlanks++;
    const n = Math.min(this.width, cells.length);
    for (let i = 0; i < n; i++) this.table.put(this.order ? this.order[i]! : i, cells[i]!, line);
    return null;
  }

  get hasOwnRows(): boolean {
    return this.own !== null;
  }

  /** The layout in words, where it is no plain table. */
  get shape(): string {
    return this.layout.long ? ', one reading per row' : this.layout.pairs ? ', a time beside each channel' : '';
  }

  private addOwn(cells: readonly Cell[], line: number): ImportError | null {
    if (this.layout.long && withoutBlankEnd(cells) > this.width) this.tooWide++;
    return this.own!.add(cells, line);
  }

  end(): ImportError | null {
    if (this.how.addressed) {
      // Where cells are missing everywhere, those at the end are missing too, not lost.
      if (this.withBlanks > LIKE_ENDS * this.table.oddRows.count) this.table.oddRows.clear();
      return null;
    }
    if (this.tooWide <= MOST_TOO_WIDE * Math.max(1, this.seen)) return null;
    const where = this.headerLine === null ? '' : ` on line ${this.headerLine}`;
    return importError(
      'ragged-rows',
      `${this.tooWide} of ${this.seen} rows have more cells than the ${this.width} columns of the header${where}. Decimal commas in a comma separated file do this: export with semicolons, or with decimal points.`,
      { line: this.headerLine },
    );
  }
}

const isRemark = (name: string): boolean => /^(marks?|markers?|events?|comments?|remarks?|notes?)?$/i.test(name);

const anotherTable = (line: number): ImportError =>
  importError(
    'ragged-rows',
    `Line ${line} begins another table with other columns. Split the file there and read the part with the warm-up.`,
    { line },
  );

/** Reads rows of cells, however they were parted: finds the header, the units, the kind of layout, and fills a table. */
export function gridReader(how: GridHow): GridReader {
  const table = new RowTable(how.timeColumns);
  let waiting: Row[] | null = [];
  let blanks = 0;
  let laid: LaidOut | null = null;

  const layOut = (): ImportError | null => {
    const held = waiting!;
    waiting = null;
    const layout = sniffLayout(held.map((r) => r.cells.map(cellText)));
    if (!layout) return NO_HEADER;
    const headerLine = held[layout.headerAt]?.line ?? null;
    if (layout.header.length > MOST_COLUMNS) return tooManyColumns(headerLine);
    laid = new LaidOut(layout, table, how);
    laid.headerLine = headerLine;
    const above = held.slice(Math.max(0, layout.aboveAt), Math.max(0, layout.headerAt));
    const data = [...above, ...held.slice(layout.dataAt)].filter((r) => !isBlank(r.cells));
    if (above.length > 0) {
      laid.notes.push(
        `${above.length} rows stand above the header on line ${headerLine}; they were read by the same columns.`,
      );
    }
    const unread = held.slice(0, Math.max(0, layout.aboveAt)).filter((r) => isFigures(r.cells)).length;
    if (unread >= FEWEST_UNREAD) {
      laid.notes.push(`${unread} rows of figures above the header on line ${headerLine} were not read.`);
    }
    if (layout.rowNames) laid.notes.push('Each row begins with a name or a number that the header does not name.');
    laid.addColumns(data);
    for (const row of data) {
      const error = laid.add(row);
      if (error) return error;
    }
    return null;
  };

  const source: Source = {
    kind: how.kind,
    table,
    get headerLine() {
      return laid?.headerLine ?? null;
    },
    get described() {
      // Sheets hold numbers, not how they are written.
      const style = how.addressed ? '' : `, ${table.style}`;
      return laid ? `${how.described}${style}${laid.shape}` : how.described;
    },
    get oneReadingPerRow() {
      return laid?.hasOwnRows ?? false;
    },
    get repeatedHeader() {
      return laid?.repeatedHeader ?? new LineList();
    },
    notes: () => laid?.notes ?? [],
  };

  return {
    source,
    take: (cells, line) => {
      if (isBlank(cells) || isRule(cells)) {
        return ++blanks > MOST_BLANK ? tooManyBlank() : null;
      }
      if (!waiting) return laid!.add({ cells, line });
      waiting.push({ cells, line });
      return waiting.length < SAMPLE_ROWS ? null : layOut();
    },
    end: () => {
      if (waiting) {
        const error = layOut();
        if (error) return error;
      }
      return laid!.end();
    },
  };
}

const tooManyBlank = (): ImportError =>
  importError('too-large', 'The file has more than a million blank lines: that is no log. Export the drive again.');
