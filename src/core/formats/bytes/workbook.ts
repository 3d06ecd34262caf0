import Papa from 'papaparse';
import { fail, type Result } from '../../base';
import { importError, type ImportError } from '../importError';
import { readText, type Reading } from '../readTrace';

type Cell = string | number | boolean | Date | null;

/** Workbooks give a time of day as that time on the day before their first one. */
const FIRST_YEAR = 1901;

const digits = (value: number, width: number): string => String(value).padStart(width, '0');

/** A cell as a log would write it: dates in ISO, times of day as a clock. */
function textOf(cell: Cell): string {
  if (cell === null) return '';
  if (typeof cell === 'boolean') return cell ? 'on' : 'off';
  if (!(cell instanceof Date)) return String(cell);
  // Serial days carry rounding far below a millisecond.
  const date = new Date(Math.round(cell.getTime()));
  const clock = `${digits(date.getUTCHours(), 2)}:${digits(date.getUTCMinutes(), 2)}:${digits(date.getUTCSeconds(), 2)}.${digits(date.getUTCMilliseconds(), 3)}`;
  if (date.getUTCFullYear() < FIRST_YEAR) return clock;
  return `${date.getUTCFullYear()}-${digits(date.getUTCMonth() + 1, 2)}-${digits(date.getUTCDate(), 2)}T${clock}`;
}

interface SheetResult<T> {
  readonly name: string;
  readonly text: string;
  readonly read: Result<T, ImportError>;
}

/** The sheet that is a log: the first that can be read, else the first with a question, else the first error. */
function chooseSheet<T>(sheets: readonly SheetResult<T>[]): SheetResult<T> {
  return (
    sheets.find((s) => s.read.ok) ??
    sheets.find((s) => !s.read.ok && s.read.error.code === 'needs-mapping') ??
    sheets.find((s) => !s.read.ok && s.read.error.code !== 'empty') ??
    sheets[0]!
  );
}

/** Reads a log from the sheets of an Excel workbook. */
export async function readWorkbook<T>(bytes: Uint8Array, reading: Reading<T>): Promise<Result<T, ImportError>> {
  let sheets: readonly { readonly sheet: string; readonly data: readonly (readonly Cell[])[] }[];
  try {
    const { default: readSheets } = await import('read-excel-file/universal');
    sheets = (await readSheets(bytes.slice().buffer)) as typeof sheets;
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fail(importError('bad-archive', `This workbook cannot be opened (${why}). Save it again, or as CSV.`));
  }
  if (sheets.length === 0) return fail(importError('empty', 'This workbook has no sheet. Export the log again.'));
  const results = sheets.map(({ sheet, data }) => {
    const rows = data.map((row) => row.map(textOf));
    const text = data.length === 0 ? '' : Papa.unparse(rows, { newline: '\n' });
    return { name: sheet, text, read: readText(text, reading) };
  });
  const { name, text, read } = chooseSheet(results);
  if (!read.ok) return fail({ ...read.error, message: `Sheet ${name}: ${read.error.message}` });
  const others = results.filter((r) => r.read.ok && r.name !== name).map((r) => r.name);
  const notes = others.length > 0 ? [`Other sheets hold logs too (${others.join(', ')}); the first was read.`] : [];
  return readText(text, {
    ...reading,
    build: (source) =>
      reading.build({
        ...source,
        described: `Excel workbook, sheet ${name}`,
        notes: () => [...source.notes(), ...notes],
      }),
  });
}
