import { gzipSync, strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { unpackLogs } from '..';
import { goodBytes, readBytes, table, warming } from '../testSupport';

const LOG = strToU8(table('time_s,ect_c', 120, (i) => `${i},${warming(i)}`));

async function refused(bytes: Uint8Array): Promise<string> {
  const read = await readBytes(bytes);
  if (read.ok) throw new Error('was read');
  return `${read.error.code}: ${read.error.message}`;
}

/** Bytes with one of them changed. */
const changed = (bytes: Uint8Array, at: number, to?: number): Uint8Array => {
  const out = bytes.slice();
  out[at] = to ?? out[at]! ^ 1;
  return out;
};
const find = (bytes: Uint8Array, signature: number): number => {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  for (let i = 0; i + 4 <= bytes.length; i++) if (view.getUint32(i, true) === signature) return i;
  return -1;
};
const CENTRAL = 0x02014b50;

describe('what was altered on its way is not believed', () => {
  it('a digit in a stored entry', async () => {
    const zip = zipSync({ 'log.csv': [LOG, { level: 0 }] });
    expect(await refused(changed(zip, 200))).toMatch(/bad-archive.*checksum is wrong/);
  });

  it('a size in the directory', async () => {
    const zip = zipSync({ 'log.csv': LOG });
    expect(await refused(changed(zip, find(zip, CENTRAL) + 24))).toMatch(/bad-archive.*bytes and should have/);
  });

  it('the checksum and the length of a gzip file', async () => {
    const gzip = gzipSync(LOG);
    expect(await refused(changed(gzip, gzip.length - 8))).toMatch(/bad-archive/);
    expect(await refused(changed(gzip, gzip.length - 4))).toMatch(/bad-archive/);
  });

  it('an archive without its end', async () => {
    const zip = zipSync({ 'log.csv': LOG });
    expect(await refused(zip.subarray(0, zip.length - 10))).toMatch(/its end is missing/);
    const gzip = gzipSync(LOG);
    expect(await refused(gzip.subarray(0, gzip.length - 30))).toMatch(/damaged or cut off/);
  });
});

describe('archives of all kinds', () => {
  it('gzip of several members, wherever the pieces end', async () => {
    const half = Math.floor(LOG.length / 2);
    const members = [gzipSync(LOG.subarray(0, half)), gzipSync(LOG.subarray(half))];
    const whole = Uint8Array.from([...members[0]!, ...members[1]!, 0, 0, 0]);
    expect((await goodBytes(whole)).report.rows).toBe(120);
  });

  it('with a password', async () => {
    const zip = zipSync({ 'log.csv': LOG });
    expect(await refused(changed(zip, find(zip, CENTRAL) + 8, 1))).toMatch(/locked with a password/);
  });

  it.each<[string, number[], RegExp]>([
    ['xz', [0xfd, 0x37, 0x7a, 0x58, 0x5a, 0], /an xz archive.*Unpack/],
    ['bzip2', [0x42, 0x5a, 0x68, 0x39], /a bzip2 archive/],
    ['zstd', [0x28, 0xb5, 0x2f, 0xfd], /a zstd archive/],
    ['an old workbook', [0xd0, 0xcf, 0x11, 0xe0], /old kind, or one with a password/],
    ['a database', [...strToU8('SQLite format 3\0')], /a database/],
  ])('%s is named', async (_, bytes, message) => {
    expect(await refused(Uint8Array.from([...bytes, ...new Uint8Array(600)]))).toMatch(message);
  });

  it('tar is named, in gzip too', async () => {
    const tar = new Uint8Array(2048);
    tar.set(strToU8('log.csv'));
    tar.set(strToU8('ustar'), 257);
    expect(await refused(tar)).toMatch(/a tar archive/);
    expect(await refused(gzipSync(tar))).toMatch(/a tar archive/);
  });

  it('several logs are taken apart for many logs; anything else is left alone', () => {
    const zip = zipSync({ 'a.csv': LOG, 'b/c.csv': LOG, 'readme.txt': strToU8('hello'), '__MACOSX/._a.csv': LOG });
    const found = unpackLogs(zip);
    expect(found.ok && found.value!.map((f) => [f.name, f.bytes.length])).toEqual([
      ['a.csv', LOG.length],
      ['b/c.csv', LOG.length],
    ]);
    for (const other of [zipSync({ 'a.csv': LOG }), LOG, zipSync({ 'xl/workbook.xml': LOG, 'xl/b.xml': LOG })]) {
      expect(unpackLogs(other)).toEqual({ ok: true, value: null });
    }
    const stored = zipSync({ 'a.csv': [LOG, { level: 0 }], 'b.csv': LOG });
    expect(unpackLogs(changed(stored, 200)).ok).toBe(false);
  });
});

it('one damaged byte does not turn every degree sign of a file', async () => {
  const text = strToU8(table('Time (s),Coolant (°F),Öl (°F)', 60, (i) => `${i},${60 + 2 * i},${60 + i}`));
  const { trace } = await goodBytes(changed(text, text.length - 40, 0xff));
  expect(trace.channels.ect_c[0]).toBeCloseTo(15.56, 2);
});
