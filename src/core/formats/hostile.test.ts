import fc from 'fast-check';
import { gzipSync, strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { createFileReader, readTrace, type ImportErrorCode } from './index';

async function refusal(bytes: Uint8Array): Promise<{ code: ImportErrorCode; message: string }> {
  const reader = createFileReader();
  for (let at = 0; at < bytes.length; at += 1 << 20) {
    const error = reader.push(bytes.subarray(at, at + (1 << 20)));
    if (error) return error;
  }
  const read = await reader.finish();
  if (read.ok) throw new Error('was read');
  return read.error;
}

const LOG = 'time_s,ect_c\n0,10\n1,11\n2,12\n';
const zip = (files: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
const big = (megabytes: number): Uint8Array => new Uint8Array(megabytes * 1024 * 1024).fill(48);

describe('hostile files are refused with a clear message', () => {
  it.each<[string, () => Uint8Array, ImportErrorCode, RegExp]>([
    [
      'a zip that unpacks to far more',
      () => zipSync({ 'a.csv': big(170) }),
      'too-large',
      /unpacks to more than 160 MB/,
    ],
    ['a gzip that unpacks to far more', () => gzipSync(big(170)), 'line-too-long', /million characters/],
    ['a line without end', () => big(3), 'line-too-long', /one row per reading/],
    ['a million columns', () => strToU8(`${'a,'.repeat(1e5)}\n`.repeat(5)), 'too-many-columns', /more than 1000/],
    [
      'columns beyond any log',
      () => strToU8(`time_s,ect_c${',x'.repeat(2000)}\n${'1,'.repeat(2001)}1\n`.repeat(3)),
      'too-many-columns',
      /more than 1000/,
    ],
    [
      'several logs in one archive',
      () => zip({ 'a.csv': LOG, 'b.csv': LOG }),
      'several-files',
      /holds 2 files: a.csv, b.csv/,
    ],
    ['an archive of nothing', () => zip({ 'folder/': '' }), 'empty', /holds no file/],
    ['an archive cut off', () => zip({ 'a.csv': LOG.repeat(50) }).subarray(0, 60), 'bad-archive', /damaged/],
    ['a gzip cut off', () => gzipSync(strToU8(LOG.repeat(500))).subarray(0, 60), 'bad-archive', /damaged/],
    [
      'a workbook that is none',
      () => zip({ 'xl/workbook.xml': '<not', '[Content_Types].xml': 'x' }),
      'bad-archive',
      /workbook cannot be opened/,
    ],
    [
      'archives in archives',
      () => gzipSync(gzipSync(gzipSync(gzipSync(strToU8(LOG))))),
      'bad-archive',
      /archives inside archives|inside archives/,
    ],
    [
      'keys of the prototype',
      () => strToU8('[{"time":0,"ect_c":1,"__proto__":{"x":1}}]'),
      'bad-json',
      /"__proto__".*no channel/,
    ],
    [
      'a constructor in NDJSON',
      () => strToU8('{"time":0,"ect_c":1}\n{"time":1,"constructor":5}\n'),
      'bad-json',
      /line 2/,
    ],
    ['JSON cut off', () => strToU8('[{"time":0,"ect_c":1},{"time"'), 'bad-json', /cut off/],
    ['JSON that is no log', () => strToU8('{"hello":"world"}'), 'no-header', /list of objects/],
    [
      'wider rows than the header',
      () => strToU8(`time,coolant,rpm\n${'0,1,2,3,4\n'.repeat(9)}`),
      'ragged-rows',
      /decimal points/,
    ],
    ['a picture', () => Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10), 'not-text', /PNG picture/],
  ])('%s', async (_, bytes, code, message) => {
    const error = await refusal(bytes());
    expect(error).toMatchObject({ code, message: expect.stringMatching(message) as unknown });
  });

  it('a script in a channel name stays text', () => {
    const read = readTrace('time_s,ect_c,<script>alert(1)</script>\n0,1,2\n1,1,2\n2,1,2\n');
    expect(read.ok && read.value.report.ignored).toEqual(['<script>alert(1)</script>']);
  });
});

describe('whatever the bytes', () => {
  it('an answer or a message, never an exception', async () => {
    const bytes = fc.oneof(
      fc.uint8Array({ maxLength: 300 }),
      fc.uint8Array({ maxLength: 200 }).map((b) => Uint8Array.from([0x50, 0x4b, 3, 4, ...b])),
      fc.uint8Array({ maxLength: 200 }).map((b) => Uint8Array.from([0x1f, 0x8b, 8, ...b])),
      fc.json().map((text) => strToU8(text)),
    );
    await fc.assert(
      fc.asyncProperty(bytes, async (content) => {
        const reader = createFileReader();
        const error = reader.push(content);
        const read = error ? { ok: false as const, error } : await reader.finish();
        expect(read.ok || read.error.message.length > 15).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});
