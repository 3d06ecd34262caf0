import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { good, goodBytes, readBytes, table, warming } from '../testSupport';

const cell = (at: string, value: number | string, style = ''): string =>
  typeof value === 'number'
    ? `<c r="${at}"${style}><v>${value}</v></c>`
    : `<c r="${at}" t="inlineStr"><is><t>${value}</t></is></c>`;
const sheetOf = (rows: readonly string[]): string => `<worksheet><sheetData>${rows.join('')}</sheetData></worksheet>`;
const row = (r: number, cells: readonly string[]): string => `<row r="${r}">${cells.join('')}</row>`;

interface Listed {
  readonly name: string;
  readonly state?: string;
  readonly part: string;
}

function workbook(listed: readonly Listed[], parts: Readonly<Record<string, string>>, properties = ''): Uint8Array {
  const sheets = listed.map(
    (s, i) => `<sheet name="${s.name}" sheetId="${i + 1}" ${s.state ? `state="${s.state}"` : ''} r:id="r${i}"/>`,
  );
  const targets = listed.map((s, i) => `<Relationship Id="r${i}" Target="worksheets/${s.part}"/>`);
  return zipSync({
    'xl/workbook.xml': strToU8(`<workbook xmlns:r="r">${properties}<sheets>${sheets.join('')}</sheets></workbook>`),
    'xl/_rels/workbook.xml.rels': strToU8(`<Relationships>${targets.join('')}</Relationships>`),
    ...Object.fromEntries(Object.entries(parts).map(([name, text]) => [`xl/${name}`, strToU8(text)])),
  });
}

/** A sheet with a warm-up of so many rows. */
const log = (count: number, from = 15, time: (i: number) => number = (i) => i, style = ''): string =>
  sheetOf([
    row(1, [cell('A1', 'Time'), cell('B1', 'Coolant (°C)')]),
    ...Array.from({ length: count }, (_, i) =>
      row(i + 2, [cell(`A${i + 2}`, time(i), style), cell(`B${i + 2}`, from + i / 4)]),
    ),
  ]);

describe('workbooks', () => {
  it('the longest log is read, before a summary that stands first and what is hidden', async () => {
    const listed = [
      { name: 'Summary', part: 's.xml' },
      { name: 'Old', state: 'hidden', part: 'o.xml' },
      { name: 'Raw', part: 'r.xml' },
    ];
    const parts = { 'worksheets/s.xml': log(6), 'worksheets/o.xml': log(90, 40), 'worksheets/r.xml': log(60, 20) };
    const { trace, report } = await goodBytes(workbook(listed, parts));
    expect(trace.channels.ect_c[0]).toBe(20);
    expect(report.rows).toBe(60);
    expect(report.notes.join()).toMatch(/Summary, Old.*Raw, the longest/);
  });

  it('two names for one part are one sheet', async () => {
    const listed = [
      { name: 'One', part: 'a.xml' },
      { name: 'Two', part: 'a.xml' },
    ];
    const { report } = await goodBytes(workbook(listed, { 'worksheets/a.xml': log(60) }));
    expect(report.notes).toEqual([]);
  });

  it('a cell at the far end of the sheet costs nothing', async () => {
    const far = log(60).replace('</sheetData>', `${row(1_048_576, [cell('XFD1048576', 1)])}</sheetData>`);
    const { trace } = await goodBytes(workbook([{ name: 'A', part: 'a.xml' }], { 'worksheets/a.xml': far }));
    expect(trace.time_s).toHaveLength(60);
  });

  it('dates and times of day by their formats, in both calendars; percents as they are shown', async () => {
    const styles =
      '<styleSheet><numFmts><numFmt numFmtId="164" formatCode="hh:mm:ss"/></numFmts><cellXfs><xf numFmtId="0"/><xf numFmtId="22"/><xf numFmtId="164"/><xf numFmtId="9"/></cellXfs></styleSheet>';
    const second = 1 / 86_400;
    const read = (style: number, from: number, properties = '') =>
      goodBytes(
        workbook(
          [{ name: 'A', part: 'a.xml' }],
          { 'worksheets/a.xml': log(60, 15, (i) => from + i * second, ` s="${style}"`), 'styles.xml': styles },
          properties,
        ),
      );
    expect((await read(1, 46_036.5)).report.clock).toEqual({ kind: 'date', start_s: Date.UTC(2026, 0, 14, 12) / 1000 });
    expect((await read(1, 44_574.5, '<workbookPr date1904="1"/>')).report.clock!.start_s).toBe(
      Date.UTC(2026, 0, 14, 12) / 1000,
    );
    const clock = await read(2, 0.25);
    expect(clock.report.clock).toEqual({ kind: 'day', start_s: 21_600 });
    expect(clock.report.duration_s).toBe(59);
    const share = sheetOf([
      row(1, [cell('A1', 'time_s'), cell('B1', 'ect_c'), cell('C1', 'load_pct')]),
      ...Array.from({ length: 30 }, (_, i) =>
        row(i + 2, [cell(`A${i + 2}`, i), cell(`B${i + 2}`, 20 + i), cell(`C${i + 2}`, 0.25, ' s="3"')]),
      ),
    ]);
    const { trace } = await goodBytes(
      workbook([{ name: 'A', part: 'a.xml' }], { 'worksheets/a.xml': share, 'styles.xml': styles }),
    );
    expect(trace.channels.load_pct![3]).toBe(25);
  });

  it('numbers stay what they are beside texts with decimal commas', async () => {
    const mixed = sheetOf([
      row(1, [cell('A1', 'Zeit (s)'), cell('B1', 'Kühlmitteltemperatur (°C)'), cell('C1', 'Notiz')]),
      ...Array.from({ length: 60 }, (_, i) =>
        row(i + 2, [cell(`A${i + 2}`, 1 + 1.125 * i), cell(`B${i + 2}`, 20.125 + i), cell(`C${i + 2}`, '1.234,5')]),
      ),
    ]);
    const { trace } = await goodBytes(workbook([{ name: 'A', part: 'a.xml' }], { 'worksheets/a.xml': mixed }));
    expect(trace.channels.ect_c[0]).toBe(20.125);
    expect(trace.time_s[1]).toBe(1.125);
  });

  it('texts that the sheets share', async () => {
    const shared = '<sst><si><t>time_s</t></si><si><r><t>ect</t></r><r><t>_c</t></r></si></sst>';
    const sheet = log(60)
      .replace(cell('A1', 'Time'), '<c r="A1" t="s"><v>0</v></c>')
      .replace(cell('B1', 'Coolant (°C)'), '<c r="B1" t="s"><v>1</v></c>');
    const { report } = await goodBytes(
      workbook([{ name: 'A', part: 'a.xml' }], { 'worksheets/a.xml': sheet, 'sharedStrings.xml': shared }),
    );
    expect(report.headers).toEqual(['time_s', 'ect_c']);
  });

  it('cells that were never written are missing where many are, and doubtful where few are', async () => {
    const sparse = (missing: (i: number, column: number) => boolean) =>
      sheetOf([
        row(1, [cell('A1', 'time_s'), cell('B1', 'ect_c'), cell('C1', 'rpm')]),
        ...Array.from({ length: 60 }, (_, i) =>
          row(i + 2, [
            cell(`A${i + 2}`, i),
            ...(missing(i, 1) ? [] : [cell(`B${i + 2}`, 20 + i / 2)]),
            ...(missing(i, 2) ? [] : [cell(`C${i + 2}`, 800 + i)]),
          ]),
        ),
      ]);
    const read = (text: string) => goodBytes(workbook([{ name: 'A', part: 'a.xml' }], { 'worksheets/a.xml': text }));
    expect((await read(sparse((i, c) => (i % 2 ? c === 1 : c === 2)))).report).toMatchObject({
      rows: 60,
      cleaning: [],
    });
    expect((await read(sparse((i, c) => c === 2 && i % 10 === 0))).report.cleaning).toMatchObject([
      { kind: 'other-width', count: 6 },
    ]);
  });
});

describe('other spreadsheets', () => {
  const openDocument = (manifest: string): Uint8Array => {
    const c = (type: string, value: string, times = 1): string =>
      `<table:table-cell office:value-type="${type}" office:${type === 'time' ? 'time-value' : 'value'}="${value}" table:number-columns-repeated="${times}"><text:p>${value}</text:p></table:table-cell>`;
    const words = ['Time', 'Coolant (°C)', 'Gauge (°C)'].map(
      (w) => `<table:table-cell office:value-type="string"><text:p>${w}</text:p></table:table-cell>`,
    );
    const rows = Array.from(
      { length: 60 },
      (_, i) => `<table:table-row>${c('time', `PT08H00M${i}S`)}${c('float', String(20 + i / 2), 2)}</table:table-row>`,
    );
    const blank = '<table:table-row table:number-rows-repeated="1048000"><table:table-cell/></table:table-row>';
    return zipSync({
      'META-INF/manifest.xml': strToU8(manifest),
      'content.xml': strToU8(
        `<office:spreadsheet><table:table table:name="Log"><table:table-row>${words.join('')}</table:table-row>${rows.join('')}${blank}</table:table></office:spreadsheet>`,
      ),
    });
  };

  it('OpenDocument: lengths of time, repeated cells, a million blank rows', async () => {
    const { trace, report } = await goodBytes(openDocument('<manifest/>'));
    expect(report.clock).toEqual({ kind: 'day', start_s: 28_800 });
    expect(trace.channels.gauge_c![10]).toBe(25);
    expect(report.duration_s).toBe(59);
  });

  it('OpenDocument with a password says so', async () => {
    const read = await readBytes(openDocument('<manifest><manifest:encryption-data/></manifest>'));
    expect(!read.ok && read.error.message).toMatch(/password/);
  });

  it('a page called a workbook: its longest table', () => {
    const rows = Array.from(
      { length: 40 },
      (_, i) => `<tr><td>${i}</td><td>${String(warming(i)).replace('.', ',')}</td></tr>`,
    );
    const html = `<html><body><table><tr><td>Logger 7</td></tr></table><table><tr><th>Time (s)</th><th>Coolant (&deg;C)</th></tr>${rows.join('\n')}</table></body></html>`;
    expect(good(html).trace.channels.ect_c[10]).toBe(20);
  });

  it('a spreadsheet saved as XML', () => {
    const c = (type: string, text: string | number): string => `<Cell><Data ss:Type="${type}">${text}</Data></Cell>`;
    const rows = Array.from({ length: 40 }, (_, i) => `<Row>${c('Number', i)}${c('Number', 20 + i / 8)}</Row>`);
    const xml = `<?xml version="1.0"?><Workbook><Worksheet><Table><Row>${c('String', 'time_s')}${c('String', 'ect_c')}</Row>${rows.join('')}</Table></Worksheet></Workbook>`;
    expect(good(xml).trace.channels.ect_c[1]).toBe(20.125);
  });

  it('a page without a table is named for what it is', async () => {
    const read = await readBytes(strToU8('<!doctype html><html><body><p>Sign in</p></body></html>'));
    expect(!read.ok && read.error).toMatchObject({
      code: 'not-text',
      message: expect.stringMatching(/web page/) as unknown,
    });
  });

  it('a table aligned by blanks', () => {
    const text = table(
      'time_s      ect_c     rpm',
      40,
      (i) => `${String(i).padEnd(12)}${String(warming(i)).padEnd(10)}${800 + i}`,
    );
    expect(good(text).trace.channels.rpm![7]).toBe(807);
  });
});
