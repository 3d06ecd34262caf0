import { strToU8, zipSync } from 'fflate';

/** Cells of a log's lines, for the files that spreadsheets write. */
export type Cells = readonly (readonly string[])[];

const isNumber = (cell: string): boolean => /^-?\d+(\.\d+)?$/.test(cell);
const escaped = (text: string): string =>
  // Control characters and lone surrogates cannot stand in XML.
  text
    .replace(/[^\t\n\x20-\uD7FF\uE000-\uFFFD]/g, ' ')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/"/g, '&quot;');

const column = (at: number): string =>
  (at < 26 ? '' : String.fromCharCode(64 + Math.floor(at / 26))) + String.fromCharCode(65 + (at % 26));

/** A workbook with one sheet, whose numbers are numbers. */
export function workbookOf(rows: Cells): Uint8Array {
  const cell = (text: string, row: number, at: number): string => {
    const place = `r="${column(at)}${row + 1}"`;
    if (text === '') return '';
    if (isNumber(text)) return `<c ${place}><v>${text}</v></c>`;
    return `<c ${place} t="inlineStr"><is><t>${escaped(text)}</t></is></c>`;
  };
  const body = rows.map((cells, r) => `<row r="${r + 1}">${cells.map((c, i) => cell(c, r, i)).join('')}</row>`);
  return zipSync({
    'xl/workbook.xml': strToU8(
      '<workbook xmlns:r="r"><sheets><sheet name="Log" sheetId="1" r:id="a"/></sheets></workbook>',
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      '<Relationships><Relationship Id="a" Target="worksheets/sheet1.xml"/></Relationships>',
    ),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${body.join('')}</sheetData></worksheet>`),
  });
}

/** An OpenDocument spreadsheet with one table. */
export function openDocumentOf(rows: Cells): Uint8Array {
  const cell = (text: string): string => {
    if (text === '') return '<table:table-cell/>';
    const value = isNumber(text) ? `office:value-type="float" office:value="${text}"` : 'office:value-type="string"';
    return `<table:table-cell ${value}><text:p>${escaped(text)}</text:p></table:table-cell>`;
  };
  const body = rows.map((cells) => `<table:table-row>${cells.map(cell).join('')}</table:table-row>`);
  return zipSync({
    'META-INF/manifest.xml': strToU8('<manifest:manifest/>'),
    'content.xml': strToU8(
      `<office:document-content><office:body><office:spreadsheet><table:table table:name="Log">${body.join('')}</table:table></office:spreadsheet></office:body></office:document-content>`,
    ),
  });
}

/** A page with one table, as some tools call a spreadsheet. */
export function pageOf(rows: Cells): Uint8Array {
  const body = rows.map((cells) => `<tr>${cells.map((c) => `<td>${escaped(c)}</td>`).join('')}</tr>`);
  return strToU8(`<html><body><table>${body.join('\n')}</table></body></html>`);
}
