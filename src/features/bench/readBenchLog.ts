import Papa from 'papaparse';
import { fahrenheitToCelsius, fail, ok, type Result } from '@/core/base';

/** A short log of one quantity: a thermometer in a pot, a meter at a plug. */
export interface BenchLog {
  readonly time_s: readonly number[];
  readonly values: readonly number[];
  readonly unit: '°C' | 'Ω' | 'V';
}

/** Largest file of a bench logger, bytes, and most rows. */
const MOST_BYTES = 20_000_000;
const MOST_ROWS = 200_000;
const DAY_S = 86_400;

/** A cell as a number; a decimal comma is one where nothing else separates. */
const numberOf = (cell: string): number => {
  const text = cell.trim().replace(/^"|"$/g, '');
  return text === '' ? NaN : Number(text.replace(',', '.'));
};

/** A cell of time, s: plain seconds, or hours and minutes with a colon; NaN where it is neither. */
function secondsOf(cell: string): number {
  const colons = /^(?:.*[ T])?(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(?:Z|[+-]\d{2}:?\d{2})?$/.exec(cell.trim());
  if (!colons) return numberOf(cell);
  const [, a, b, c] = colons;
  // Two figures are minutes and seconds, three hours, minutes and seconds.
  return c === undefined ? 60 * Number(a) + Number(b) : 3600 * Number(a) + 60 * Number(b) + Number(c.replace(',', '.'));
}

function unitOf(header: string): { readonly unit: BenchLog['unit']; readonly fahrenheit: boolean } | null {
  if (/°?\s*F\b|fahrenheit/i.test(header)) return { unit: '°C', fahrenheit: true };
  if (/Ω|ohm/i.test(header)) return { unit: 'Ω', fahrenheit: false };
  if (/volt|\bV\b|\(V\)|\[V\]/.test(header)) return { unit: 'V', fahrenheit: false };
  if (/°\s*C|celsius|temp|water|coolant|ect|_c\b|\(C\)|\[C\]/i.test(header)) return { unit: '°C', fahrenheit: false };
  return null;
}

/** Seconds per unit of a time column's header. */
function timeFactor(header: string): number {
  if (/\bms\b|millisec/i.test(header)) return 0.001;
  return /\bmin(ute)?s?\b|_min\b/i.test(header) ? 60 : 1;
}

/**
 * Reads a log of a thermometer or a meter: a row of headers, a column of time, a column of values.
 *
 * @param wanted only temperatures, or whatever was logged
 * @returns the log from its first row, or what is wrong and where
 */
export async function readBenchLog(file: File, wanted: 'temperature' | 'any'): Promise<Result<BenchLog, string>> {
  if (file.size > MOST_BYTES)
    return fail(`${file.name} is larger than a bench log: ${Math.round(file.size / 1e6)} MB.`);
  return parseBenchLog(await file.text(), wanted);
}

/**
 * What sets the cells apart, by the last lines: a preamble has none, and commas may be decimal where semicolons or tabs
 * stand.
 */
function delimiterOf(text: string): string {
  const last = text.trim().split(/\r?\n/).slice(-20);
  return [';', '\t', ','].find((d) => last.filter((line) => line.includes(d)).length > last.length / 2) ?? ',';
}

/** The same from text. */
export function parseBenchLog(text: string, wanted: 'temperature' | 'any'): Result<BenchLog, string> {
  const rows = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy', delimiter: delimiterOf(text) }).data;
  if (rows.length > MOST_ROWS) return fail(`${rows.length} rows: at most ${MOST_ROWS}. Cut it to the test.`);
  const headerAt = rows.findIndex(
    (r) => r.length >= 2 && r.some((c) => /[a-zA-Z°Ω]/.test(c)) && !Number.isFinite(secondsOf(r[0]!)),
  );
  const headers = headerAt < 0 ? null : rows[headerAt]!;
  const body = rows.slice(headerAt + 1);
  if (body.length < 3) return fail('It has fewer than three rows of readings.');
  if (!headers) return fail('Its first line must name the columns: time and temperature, say “time_s;water °C”.');
  const timeAt = headers.findIndex((h) => /time|zeit|temps|tiempo|clock|^t$|^s$|second|sec\b|minute/i.test(h));
  if (timeAt < 0) return fail(`No column of time among ${headers.join(', ')}. Name it “time_s”.`);
  const found = headers
    .map((h, at) => ({ at, kind: at === timeAt ? null : unitOf(h) }))
    .find(({ kind }) => kind !== null && (wanted === 'any' || kind.unit === '°C'));
  if (!found?.kind) {
    return fail(
      `No column of ${wanted === 'any' ? 'temperature, Ω or V' : 'temperature'} among ${headers.join(', ')}. Name it “water °C” or “water °F”.`,
    );
  }
  return columnsOf(body, {
    timeAt,
    valueAt: found.at,
    ...found.kind,
    factor: timeFactor(headers[timeAt]!),
    first: headerAt + 2,
  });
}

interface Columns {
  readonly timeAt: number;
  readonly valueAt: number;
  readonly unit: BenchLog['unit'];
  readonly fahrenheit: boolean;
  readonly factor: number;
  /** Line of the first row. */
  readonly first: number;
}

function columnsOf(body: readonly string[][], columns: Columns): Result<BenchLog, string> {
  const { timeAt, valueAt, unit, fahrenheit, factor, first } = columns;
  const time_s: number[] = [];
  const values: number[] = [];
  let days = 0;
  for (const [i, row] of body.entries()) {
    const cell = row[timeAt] ?? '';
    const clocked = cell.includes(':');
    const raw = secondsOf(cell);
    if (!Number.isFinite(raw)) return fail(`Line ${first + i}: “${cell}” is not a time.`);
    let t = clocked ? raw + days * DAY_S : raw * factor;
    if (clocked && time_s.length > 0 && t < time_s.at(-1)! - DAY_S / 2) {
      days++;
      t += DAY_S;
    }
    if (time_s.length > 0 && t < time_s.at(-1)!)
      return fail(`Line ${first + i}: the time goes back, from ${time_s.at(-1)} s to ${t} s.`);
    // A logger that writes whole seconds repeats some: the later reading of a moment is dropped.
    if (t === time_s.at(-1)) continue;
    const value = numberOf(row[valueAt] ?? '');
    time_s.push(t);
    values.push(fahrenheit ? fahrenheitToCelsius(value) : value);
  }
  const start = time_s[0]!;
  return ok({ time_s: time_s.map((t) => t - start), values, unit });
}
