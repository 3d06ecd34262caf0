import { Parser } from 'htmlparser2';
import { fail, ok, type Result } from '../../base';
import { importError, type ImportError } from '../importError';
import type { Archive } from '../bytes/zipArchive';
import type { Reading } from '../readTrace';
import { MOST_COLUMNS } from '../table/readers';
import type { Cell } from '../words/cells';
import { shownBy, textOfSerial, type Shown } from './serialDates';
import { LONGEST_TEXT, MOST_SHEETS } from './limits';
import { newSheet, readLongest, takeRow, type Sheet } from './sheet';
import { bare, readPart, type Attributes } from './xml';

// Parts and attributes of a workbook. Source: ISO/IEC 29500-1 (SpreadsheetML), 18.2 to 18.8.

interface SheetPart {
  readonly name: string;
  readonly hidden: boolean;
  readonly part: string;
}

/** Most texts that cells share. */
const MOST_SHARED = 1_000_000;

/** What all sheets of a workbook share. */
interface Shared {
  readonly texts: readonly string[];
  readonly shown: readonly Shown[];
  readonly is1904: boolean;
}

/** Column of a cell by its address, from 0: `AB12` is 27. */
function columnOf(address: string): number {
  let column = 0;
  for (let i = 0; i < address.length; i++) {
    const letter = address.charCodeAt(i) | 32;
    if (letter < 97 || letter > 122) break;
    column = column * 26 + (letter - 96);
  }
  return column - 1;
}

function readSheetList(archive: Archive): Result<{ parts: SheetPart[]; is1904: boolean }, ImportError> {
  const targets = new Map<string, string>();
  const listed: { name: string; hidden: boolean; id: string }[] = [];
  let is1904 = false;
  const error =
    readPart(
      archive,
      'xl/_rels/workbook.xml.rels',
      new Parser(
        {
          onopentag: (name, a) => {
            if (bare(name) === 'Relationship' && a.Id && a.Target) targets.set(a.Id, a.Target);
          },
        },
        { xmlMode: true },
      ),
    ) ??
    readPart(
      archive,
      'xl/workbook.xml',
      new Parser(
        {
          onopentag: (name, a) => {
            if (bare(name) === 'workbookPr') is1904 = a.date1904 === '1' || a.date1904 === 'true';
            if (bare(name) !== 'sheet' || listed.length >= MOST_SHEETS) return;
            const id = Object.entries(a).find(([key]) => bare(key) === 'id' && key.includes(':'))?.[1] ?? '';
            listed.push({ name: a.name ?? '', hidden: (a.state ?? 'visible') !== 'visible', id });
          },
        },
        { xmlMode: true },
      ),
    );
  if (error) return fail(error);
  const parts = listed.flatMap(({ name, hidden, id }) => {
    const target = targets.get(id);
    if (target === undefined) return [];
    return [{ name, hidden, part: target.startsWith('/') ? target.slice(1) : `xl/${target.replace(/^\.\//, '')}` }];
  });
  // Damaged workbooks name one part twice.
  return ok({ parts: parts.filter((p, i) => parts.findIndex((q) => q.part === p.part) === i), is1904 });
}

function readShared(archive: Archive, is1904: boolean): Result<Shared, ImportError> {
  const texts: string[] = [];
  let text: string | null = null;
  let inside = false;
  const strings = new Parser(
    {
      onopentag: (name) => {
        if (bare(name) === 'si') text = '';
        else if (bare(name) === 't') inside = true;
      },
      ontext: (piece) => {
        if (inside && text !== null && text.length < LONGEST_TEXT) text += piece;
      },
      onclosetag: (name) => {
        if (bare(name) === 't') inside = false;
        if (bare(name) !== 'si' || text === null) return;
        if (texts.length < MOST_SHARED) texts.push(text.slice(0, LONGEST_TEXT));
        text = null;
      },
    },
    { xmlMode: true },
  );
  const codes = new Map<number, string>();
  const shown: Shown[] = [];
  let inFormats = false;
  const styles = new Parser(
    {
      onopentag: (name, a) => {
        if (bare(name) === 'numFmt') codes.set(Number(a.numFmtId), a.formatCode ?? '');
        else if (bare(name) === 'cellXfs') inFormats = true;
        else if (bare(name) === 'xf' && inFormats) {
          const id = Number(a.numFmtId ?? 0);
          shown.push(shownBy(id, codes.get(id)));
        }
      },
      onclosetag: (name) => {
        if (bare(name) === 'cellXfs') inFormats = false;
      },
    },
    { xmlMode: true },
  );
  const error = readPart(archive, 'xl/styles.xml', styles) ?? readPart(archive, 'xl/sharedStrings.xml', strings);
  return error ? fail(error) : ok({ texts, shown, is1904 });
}

/** A cell by its type and its text. */
function cellOf(kind: string, shown: Shown, text: string, shared: Shared): Cell {
  if (kind === 's') return shared.texts[Number(text)] ?? '';
  if (kind === 'b') return text === '1' ? 'on' : 'off';
  if (kind === 'n' || kind === '') {
    const value = Number(text);
    if (text.trim() === '' || !Number.isFinite(value)) return '';
    if (shown === 'date') return textOfSerial(value, shared.is1904);
    return shown === 'percent' ? 100 * value : value;
  }
  return text;
}

/** Reads the rows of a sheet as its XML streams by. */
function sheetParser(sheet: Sheet, shared: Shared): Parser {
  let cells: Cell[] = [];
  let line = 0;
  let column = -1;
  let kind = '';
  let shown: Shown = 'number';
  let text = '';
  let inside = false;
  const open = (a: Attributes): void => {
    column = a.r === undefined ? column + 1 : columnOf(a.r);
    kind = a.t ?? '';
    shown = shared.shown[Number(a.s ?? 0)] ?? 'number';
    text = '';
  };
  const close = (): void => {
    if (column < 0 || column >= MOST_COLUMNS || text === '') return;
    while (cells.length < column) cells.push('');
    cells[column] = cellOf(kind, shown, text, shared);
  };
  return new Parser(
    {
      onopentag: (name, a) => {
        const tag = bare(name);
        if (tag === 'row') {
          line = a.r === undefined ? line + 1 : Number(a.r) || line + 1;
          cells = [];
          column = -1;
        } else if (tag === 'c') open(a);
        else if (tag === 'v' || tag === 't') inside = true;
      },
      ontext: (piece) => {
        if (inside && text.length < LONGEST_TEXT) text += piece;
      },
      onclosetag: (name) => {
        const tag = bare(name);
        if (tag === 'v' || tag === 't') inside = false;
        else if (tag === 'c') close();
        else if (tag === 'row' && cells.length > 0) takeRow(sheet, cells, line);
      },
    },
    { xmlMode: true },
  );
}

/** Reads a log from the sheets of a workbook, each as it streams by. */
export function readWorkbook<T>(archive: Archive, reading: Reading<T>): Result<T, ImportError> {
  const list = readSheetList(archive);
  if (!list.ok) return list;
  const { parts, is1904 } = list.value;
  if (parts.length === 0) {
    return fail(
      importError('bad-archive', 'This workbook cannot be opened: it names no sheet. Save it again, or as CSV.'),
    );
  }
  const shared = readShared(archive, is1904);
  if (!shared.ok) return shared;
  const sheets: Sheet[] = [];
  for (const { name, hidden, part } of parts) {
    const sheet = newSheet({ name, hidden, kind: 'workbook', described: `Excel workbook, sheet ${name}` }, reading);
    const error = readPart(archive, part, sheetParser(sheet, shared.value), () => sheet.error);
    if (error && error !== sheet.error) return fail(error);
    sheets.push(sheet);
  }
  return readLongest(sheets, reading);
}
