import type { Cell } from '../words/cells';
import { longLayout } from './layout';
import {
  fieldsOf,
  PROTOTYPE_KEYS,
  isObject,
  recordsIn,
  refuse,
  Refused,
  type Json,
  type JsonObject,
} from './jsonShapes';
import { clip, readHeader } from '../words/headers';
import { importError, type ImportError } from '../importError';
import { MOST_COLUMNS, type SourceReader } from './readers';
import { LineList } from './lineList';
import { RowsByTime } from './rowsByTime';
import { RowTable } from './rowTable';
import { looksLikeTime } from '../words/timeCells';

/** One value as a cell: numbers and texts as they are, `{ value, unit }` by its value. */
function cellOf(value: Json | undefined): Cell {
  if (value === undefined || value === null) return '';
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (typeof value === 'number' || typeof value === 'string') return value;
  return isObject(value) && 'value' in value ? cellOf(value.value) : '';
}

const unitOfValue = (value: Json | undefined): string | null =>
  isObject(value) && typeof value.unit === 'string' ? value.unit : null;

/** Records of a log put into a table, whatever keys they carry. */
class RecordRows {
  readonly table: RowTable;
  private readonly byTime: RowsByTime;
  private readonly columns = new Map<string, number>();
  /** Columns of a log with one reading per record, by the channel that the record names. */
  private readonly channels = new Map<string, number>();
  private long: ReturnType<typeof longLayout> = null;
  private keys: string[] | null = null;

  constructor(timeColumns: ReadonlySet<number>) {
    this.table = new RowTable(timeColumns);
    this.byTime = new RowsByTime(this.table);
  }

  /** The column of a key; it is added with its first value. */
  private columnFor(columns: Map<string, number>, key: string, first: { cell: Cell; unit: string | null }): number {
    const known = columns.get(key);
    if (known !== undefined) return known;
    if (this.table.columns.length >= MOST_COLUMNS) {
      refuse(
        importError(
          'too-many-columns',
          `The file has more than ${MOST_COLUMNS} different keys: that is no log of one drive.`,
        ),
      );
    }
    const isTime = readHeader(key).channel === 'time_s' || looksLikeTime(String(first.cell));
    const at = this.table.addColumn(first.unit ? `${key} (${first.unit})` : key, null, isTime);
    columns.set(key, at);
    return at;
  }

  get isLong(): boolean {
    return this.long !== null;
  }

  add(record: JsonObject, line: number): void {
    const fields = fieldsOf(record, line);
    if (!this.keys) {
      this.keys = fields.map(([key]) => key);
      this.long = longLayout(this.keys);
    }
    if (this.long) return this.addLong(new Map(fields), line);
    this.table.startRow(line);
    for (const [key, value] of fields) {
      const cell = cellOf(value);
      this.table.put(this.columnFor(this.columns, key, { cell, unit: unitOfValue(value) }), cell, line);
    }
  }

  private addLong(fields: ReadonlyMap<string, Json>, line: number): void {
    const { timeAt, nameAt, valueAt, unitAt } = this.long!;
    const field = (at: number): Cell => (at < 0 ? '' : cellOf(fields.get(this.keys![at]!)));
    const time = field(timeAt);
    const timeColumn = this.columnFor(this.columns, this.keys![timeAt]!, { cell: time, unit: null });
    const name = String(field(nameAt));
    if (PROTOTYPE_KEYS.has(name))
      refuse(importError('bad-json', `"${name}" on line ${line} is no channel of a log.`, { line }));
    const at = this.columnFor(this.channels, name, { cell: '', unit: String(field(unitAt)) || null });
    this.byTime.put({ time, timeAt: timeColumn, at, cell: field(valueAt), line });
  }
}

/** Largest document that is read whole, characters: as objects it takes ten times that. */
const LARGEST_DOCUMENT = 32 * 1024 * 1024;

const DOCUMENT_TOO_LARGE = importError(
  'too-large',
  `This JSON document has more than ${LARGEST_DOCUMENT / 1048576} million characters; the limit is that. Export the drive as CSV, or as JSON with one object per line.`,
);

/** Figures that JSON has no word for, as some writers put them, between its marks. */
const NO_FIGURE = /([[,:]\s*)(?:-?Infinity|NaN)(?=\s*[\],}])/g;

function parse(text: string, line: number | null): Json {
  try {
    return JSON.parse(text) as Json;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    if (NO_FIGURE.test(text)) return parse(text.replace(NO_FIGURE, '$1null'), line);
    const why = clip(error.message);
    const at = /line (\d+)/.exec(why);
    return refuse(
      importError(
        'bad-json',
        `This is not valid JSON${line === null ? '' : ` on line ${line}`}: ${why}. Export the log again; it may have been cut off.`,
        {
          line: line ?? (at ? Number(at[1]) : null),
        },
      ),
    );
  }
}

/** Runs a step; a refusal inside comes back as an error. */
function refusedBy(step: () => void): ImportError | null {
  try {
    step();
    return null;
  } catch (error) {
    if (error instanceof Refused) return error.error;
    throw error;
  }
}

/**
 * Reader for JSON documents and for NDJSON (one object per line).
 *
 * @param perLine true for NDJSON, which is read as it streams by
 * @param timeColumns columns that a person said hold the time
 */
export function jsonReader(perLine: boolean, timeColumns: ReadonlySet<number>): SourceReader {
  const rows = new RecordRows(timeColumns);
  const pieces: string[] = [];
  let held = 0;
  let line = 0;
  const takeLines = (text: string): void => {
    const lines = text.split('\n');
    if (text.endsWith('\n')) lines.pop();
    for (const one of lines) {
      line++;
      if (one.trim() === '') continue;
      const value = parse(one, line);
      if (isObject(value)) rows.add(value, line);
    }
  };
  const takeDocument = (): void => {
    const records = recordsIn(parse(pieces.join(''), null));
    if (!records) {
      refuse(
        importError(
          'no-header',
          'This JSON holds no list of readings. A log is a list of objects, one per reading, each with a time.',
        ),
      );
    }
    records!.forEach((record, i) => rows.add(record, i + 1));
  };
  return {
    source: {
      kind: 'json',
      table: rows.table,
      headerLine: null,
      described: perLine ? 'JSON, one object per line' : 'JSON',
      get oneReadingPerRow() {
        return rows.isLong;
      },
      repeatedHeader: new LineList(),
      notes: () => [],
    },
    push: (text) => {
      if (perLine) return refusedBy(() => takeLines(text));
      held += text.length;
      if (held > LARGEST_DOCUMENT) return DOCUMENT_TOO_LARGE;
      pieces.push(text);
      return null;
    },
    finish: () => (perLine ? null : refusedBy(takeDocument)),
  };
}
