import { looksNumeric } from '../words/cells';
import { readHeader, unitOfText } from '../words/headers';
import { looksLikeTime } from '../words/timeCells';

/** One reading per row: which column holds what. */
export interface LongLayout {
  readonly timeAt: number;
  readonly nameAt: number;
  readonly valueAt: number;
  readonly unitAt: number;
}

/** How the rows of a table are laid out. */
export interface Layout {
  readonly header: readonly string[];
  /** Which of the rows is the header; -1 in a table without one. */
  readonly headerAt: number;
  /** Units from a row under the header; null per column without one. */
  readonly units: readonly (string | null)[];
  /** Which of the rows is the first of data below the header. */
  readonly dataAt: number;
  /** Which of the rows above the header is the first of data that stands there; `headerAt` where none does. */
  readonly aboveAt: number;
  /** Rows carry a counter or a name in front that the header does not name. */
  readonly rowNames: boolean;
  readonly long: LongLayout | null;
  /** Columns of time with the column of the channel that each belongs to; null where one time serves all. */
  readonly pairs: readonly { readonly timeAt: number; readonly valueAt: number }[] | null;
}

type Row = readonly string[];

/** Rows searched for the header: loggers write their own heading first. */
const HEADER_WITHIN = 120;
/** Cells of a row that tell whether it is the header. */
const CELLS_LOOKED_AT = 400;
/** Fewest rows above a header that make them data. */
const FEWEST_ABOVE = 2;
/** Share of rows that carry a name in front for all to do. */
const MOST_NAMED = 0.9;

const NAME =
  /^(pid|sensor|parameter|param|name|channel|signal|item|kanal|messgr\S*e|bezeichnung|grandeur|voie)( ?name)?$/i;
const VALUE = /^(value|reading|wert|messwert|valeur|val|valor|valore|waarde|v[äa]rde)$/i;
const UNIT = /^(units?|einheit|unit[ée]|unidad|unit[àa]|eenheid|enhet)$/i;

const isBlank = (row: Row): boolean => row.every((c) => c.trim() === '');

const isFigure = (cell: string): boolean => looksNumeric(cell) || looksLikeTime(cell);

/** How much a row looks like a header: names of channels count most, numbers count against. */
function headerScore(row: Row): number {
  const cells = row.slice(0, CELLS_LOOKED_AT).filter((c) => c.trim() !== '');
  const figures = cells.filter(isFigure).length;
  if (2 * figures > cells.length) return -1;
  return cells.reduce((sum, c) => sum + (isFigure(c) ? -2 : readHeader(c).channel ? 3 : 0.2), 0);
}

/** Row of the header; -1 where none looks like one. A row of words right above as many numbers is one in any language. */
function findHeader(rows: readonly Row[]): number {
  let at = -1;
  let best = 0.3;
  for (let i = 0; i < Math.min(HEADER_WITHIN, rows.length); i++) {
    const score = headerScore(rows[i]!);
    if (score > best && rows[i]!.length > 1) {
      best = score;
      at = i;
    }
  }
  return best >= 3 ? at : (wordsAboveNumbers(rows) ?? at);
}

function wordsAboveNumbers(rows: readonly Row[]): number | null {
  const isData = (row: Row | undefined): boolean =>
    row !== undefined && row.length > 1 && row.slice(0, CELLS_LOOKED_AT).filter(isFigure).length >= 2;
  for (let i = 0; i + 1 < Math.min(HEADER_WITHIN, rows.length); i++) {
    const row = rows[i]!;
    const below = isData(rows[i + 1]) || (isData(rows[i + 2]) && rows[i + 1]!.length === row.length);
    const words = row.slice(0, CELLS_LOOKED_AT).filter((c) => c.trim() !== '' && !isFigure(c)).length;
    if (below && words >= 2 && words >= row.length - 1) return i;
  }
  return null;
}

/** Recognises one-reading-per-row files by their header. */
export function longLayout(header: Row): LongLayout | null {
  const bare = header.map((h) => h.trim());
  const nameAt = bare.findIndex((h) => NAME.test(h));
  const valueAt = bare.findIndex((h) => VALUE.test(h));
  if (nameAt < 0 || valueAt < 0) return null;
  const unitAt = bare.findIndex((h) => UNIT.test(h));
  const others = bare.map((h, i) => ({ h, i })).filter(({ i }) => ![nameAt, valueAt, unitAt].includes(i));
  const timeAt = (others.find(({ h }) => readHeader(h).channel === 'time_s') ?? others.find(({ h }) => h !== ''))?.i;
  return timeAt === undefined ? null : { timeAt, nameAt, valueAt, unitAt };
}

/** A time before each channel, all called alike: each belongs to the channel behind it. */
function pairedColumns(header: Row): Layout['pairs'] {
  const bare = (name: string): string => name.toLowerCase().replace(/[\d\s_.]+/g, '');
  const pairs = header.flatMap((name, timeAt) => {
    const next = header[timeAt + 1];
    const isPair = readHeader(name).channel === 'time_s' && next && readHeader(next).channel !== 'time_s';
    return isPair ? [{ timeAt, valueAt: timeAt + 1 }] : [];
  });
  const alike = new Set(pairs.map((p) => bare(header[p.timeAt]!))).size === 1;
  return pairs.length >= 2 && alike && 2 * pairs.length === header.length ? pairs : null;
}

/** Names for the columns of a file without a header. */
const numbered = (width: number): string[] => Array.from({ length: width }, (_, i) => `column ${i + 1}`);

/** The first of the rows right above the header that are data: a header that comes again where the first was lost. */
function dataAbove(rows: readonly Row[], headerAt: number, width: number): number {
  let at = headerAt;
  let found = 0;
  for (let i = headerAt - 1; i >= 0; i--) {
    const row = rows[i]!;
    if (isBlank(row)) continue;
    const figures = row.filter(isFigure).length;
    if (figures < 2 || 2 * figures < row.length) break;
    // A row of another width is a damaged one where whole ones stand above it.
    if (row.length !== width) continue;
    at = i;
    found++;
  }
  return found >= FEWEST_ABOVE ? at : headerAt;
}

/** A time after another: as a number, or else as text of one width. */
const runsOn = (a: string, b: string): boolean =>
  looksNumeric(a) && looksNumeric(b) ? Number(b) > Number(a) : a.length === b.length ? b > a : b.length > a.length;

/** True where rows have one cell more than the header and a counter or a word of their own stands in it. */
function hasRowNames(data: readonly Row[], header: Row): boolean {
  const width = header.length;
  const rows = data.filter((r) => !isBlank(r));
  const named = rows.filter((r) => r.length === width + 1 && r.at(-1)!.trim() !== '');
  if (named.length < 3 || named.length < MOST_NAMED * rows.length) return false;
  // Decimal commas make rows longer too: only behind a name do the times still run on.
  const timeAt = header.findIndex((h) => readHeader(h).channel === 'time_s');
  const times = named.map((r) => r[timeAt + 1]!.trim());
  const rising = times.filter((t, i) => i > 0 && runsOn(times[i - 1]!, t)).length;
  if (timeAt < 0 || rising < MOST_NAMED * (times.length - 1)) return false;
  const names = named.map((r) => r[0]!.trim());
  const counts = names.every((n, i) => /^\d+$/.test(n) && (i === 0 || Number(n) === Number(names[i - 1]) + 1));
  return counts || (new Set(names).size === names.length && names.every((n) => !isFigure(n)));
}

/**
 * Learns from the first rows of a table how it is laid out.
 *
 * @returns null when nothing in it looks like a table
 */
export function sniffLayout(rows: readonly Row[]): Layout | null {
  const headerAt = findHeader(rows);
  if (headerAt < 0) return withoutHeader(rows);
  const header = rows[headerAt]!.map((h) => h.trim());
  while (header.length > 1 && header.at(-1) === '') header.pop();
  if (header.length < 2) return null;
  const below = rows[headerAt + 1] ?? [];
  const unitCells = below.map((c) => unitOfText(c));
  const hasUnitRow = below.length > 1 && !below.some(looksNumeric) && unitCells.some((u) => u !== null);
  const dataAt = headerAt + (hasUnitRow ? 2 : 1);
  const units = header.map((_, i) => (hasUnitRow ? (unitCells[i] ?? null) : null));
  const rowNames = hasRowNames(rows.slice(dataAt), header);
  const long = longLayout(header);
  return {
    header: rowNames ? ['', ...header] : header,
    headerAt,
    units: rowNames ? [null, ...units] : units,
    dataAt,
    aboveAt: dataAbove(rows, headerAt, header.length),
    rowNames,
    long: rowNames ? null : long,
    pairs: long || rowNames ? null : pairedColumns(header),
  };
}

function withoutHeader(rows: readonly Row[]): Layout | null {
  const first = rows.findIndex((r) => r.length > 1 && r.some((c) => looksNumeric(c)));
  if (first < 0) return null;
  const width = rows[first]!.length;
  const alike = rows.filter((r) => r.length === width).length;
  if (alike < 3 || alike < 0.8 * rows.filter((r) => !isBlank(r)).length) return null;
  return {
    header: numbered(width),
    headerAt: -1,
    units: Array<null>(width).fill(null),
    dataAt: first,
    aboveAt: -1,
    rowNames: false,
    long: null,
    pairs: null,
  };
}
