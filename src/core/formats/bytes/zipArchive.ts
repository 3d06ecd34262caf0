import CRC32 from 'crc-32';
import { Inflate } from 'pako';
import { fail, ok, type Result } from '../../base';
import { importError, type ImportError } from '../importError';
import { clip } from '../words/headers';
import { decoderOf } from './decoder';

/** A file in a zip archive, as its directory tells of it. */
export interface ZipEntry {
  readonly name: string;
  readonly method: number;
  readonly encrypted: boolean;
  readonly crc: number;
  readonly packedBytes: number;
  readonly bytes: number;
  /** Where its own header stands. */
  readonly at: number;
}

// Layout of a zip archive. Source: ISO/IEC 21320-1:2015 and the specification that it profiles, 4.3 and 4.5.3.
const LOCAL = 0x04034b50;
const CENTRAL = 0x02014b50;
const END = 0x06054b50;
const END_BYTES = 22;
const LOCAL_BYTES = 30;
const CENTRAL_BYTES = 46;
const LONGEST_COMMENT = 65_535;
const STORED = 0;
const DEFLATED = 8;
const IS_64 = 0xffffffff;
const EXTRA_64 = 1;
/** Most entries listed. */
const MOST_ENTRIES = 2000;
/** Bytes taken at once: deflate grows at most about a thousandfold, so a limit is seen in time. */
const STEP = 16 * 1024;
const MB = 1024 * 1024;

const damaged = (what: string, why: string): ImportError =>
  importError('bad-archive', `${what} is damaged (${why}). Copy or export it again.`);

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** Where the end of the directory stands; -1 in an archive that was cut off. */
function endOf(view: DataView): number {
  const first = Math.max(0, view.byteLength - END_BYTES - LONGEST_COMMENT);
  for (let at = view.byteLength - END_BYTES; at >= first; at--) if (view.getUint32(at, true) === END) return at;
  return -1;
}

/** Sizes and place of an entry, from its extra field where they are long. */
function longSizes(view: DataView, at: number, end: number, short: readonly number[]): number[] {
  const found = [...short];
  for (let p = at; p + 4 <= end; p += 4 + view.getUint16(p + 2, true)) {
    if (view.getUint16(p, true) !== EXTRA_64) continue;
    let q = p + 4;
    found.forEach((value, i) => {
      if (value !== IS_64 || q + 8 > end) return;
      found[i] = Number(view.getBigUint64(q, true));
      q += 8;
    });
  }
  return found;
}

/** Where the directory of an archive lies, and how much it lists. */
interface Directory {
  readonly from: number;
  readonly count: number;
}

/** Finds the directory, from the last bytes of an archive; null where they are not its last. */
function directoryOf(tail: Uint8Array): Directory | null {
  const view = viewOf(tail);
  const end = tail.length < END_BYTES ? -1 : endOf(view);
  return end < 0 ? null : { from: view.getUint32(end + 16, true), count: view.getUint16(end + 10, true) };
}

/** Reads entries from the directory of an archive. */
function readDirectory(bytes: Uint8Array, from: number, count: number): Result<ZipEntry[], ImportError> {
  const view = viewOf(bytes);
  const entries: ZipEntry[] = [];
  let at = from;
  for (let i = 0; i < count; i++) {
    if (at + CENTRAL_BYTES > bytes.length || view.getUint32(at, true) !== CENTRAL) {
      return fail(damaged('This zip archive', 'its directory is broken'));
    }
    const flags = view.getUint16(at + 8, true);
    const [nameBytes, extraBytes, commentBytes] = [28, 30, 32].map((o) => view.getUint16(at + o, true)) as [
      number,
      number,
      number,
    ];
    const nameAt = at + CENTRAL_BYTES;
    const extraAt = nameAt + nameBytes;
    const short = [24, 20, 42].map((o) => view.getUint32(at + o, true));
    const [size, packed, local] = longSizes(view, extraAt, Math.min(bytes.length, extraAt + extraBytes), short);
    entries.push({
      name: decoderOf('utf-8').decode(bytes.subarray(nameAt, extraAt)),
      method: view.getUint16(at + 10, true),
      encrypted: (flags & 1) === 1,
      crc: view.getUint32(at + 16, true),
      packedBytes: packed!,
      bytes: size!,
      at: local!,
    });
    at = extraAt + extraBytes + commentBytes;
  }
  return ok(entries);
}

const NO_END = damaged('This zip archive', 'its end is missing');

/** Lists the entries of an archive without unpacking any. */
function listZip(bytes: Uint8Array): Result<ZipEntry[], ImportError> {
  const directory = directoryOf(bytes);
  if (!directory) return fail(NO_END);
  return readDirectory(bytes, directory.from, Math.min(directory.count, MOST_ENTRIES));
}

const tooLargeEntry = (name: string, limit: number): ImportError =>
  importError(
    'too-large',
    `${clip(name)} unpacks to more than ${Math.round(limit / MB)} MB: no log of one drive is that long. Export a single drive and read that.`,
  );

/**
 * Unpacks an entry piece by piece and checks its length and sum: altered digits must not pass for a log.
 *
 * @param limit most bytes, whatever the directory says
 * @param take receives the pieces; what it returns stops the unpacking
 */
function unzipEntry(
  archive: Uint8Array,
  entry: ZipEntry,
  limit: number,
  take: (bytes: Uint8Array) => ImportError | null,
): ImportError | null {
  const name = clip(entry.name);
  if (entry.encrypted) {
    return importError('bad-archive', `${name} is locked with a password. Unpack the archive and read the log inside.`);
  }
  if (entry.method !== STORED && entry.method !== DEFLATED) {
    return importError(
      'bad-archive',
      `${name} is packed in an unusual way (method ${entry.method}). Unpack the archive and read the log inside.`,
    );
  }
  if (entry.bytes > limit) return tooLargeEntry(entry.name, limit);
  const broken = damaged(`${name} in this archive`, 'it does not unpack');
  const view = viewOf(archive);
  if (entry.at + LOCAL_BYTES > archive.length || view.getUint32(entry.at, true) !== LOCAL) return broken;
  const from = entry.at + LOCAL_BYTES + view.getUint16(entry.at + 26, true) + view.getUint16(entry.at + 28, true);
  if (from + entry.packedBytes > archive.length) return damaged(`${name} in this archive`, 'it is cut off');
  const packed = archive.subarray(from, from + entry.packedBytes);
  let crc = 0;
  let length = 0;
  let problem: ImportError | null = null;
  const receive = (bytes: Uint8Array): void => {
    if (problem) return;
    length += bytes.length;
    crc = CRC32.buf(bytes, crc);
    problem = length > limit ? tooLargeEntry(entry.name, limit) : take(bytes);
  };
  if (entry.method === STORED) {
    for (let p = 0; p < packed.length && !problem; p += STEP) receive(packed.subarray(p, p + STEP));
  } else {
    const inflate = new Inflate({ raw: true });
    inflate.onData = (chunk) => receive(chunk as Uint8Array);
    for (let p = 0; p < packed.length && !problem; p += STEP) {
      inflate.push(packed.subarray(p, p + STEP), p + STEP >= packed.length);
      if (inflate.err) return broken;
    }
  }
  if (problem) return problem;
  if (length !== entry.bytes) {
    return damaged(`${name} in this archive`, `it has ${length} bytes and should have ${entry.bytes}`);
  }
  return crc >>> 0 === entry.crc ? null : damaged(`${name} in this archive`, 'its checksum is wrong');
}

/** Files that systems and exporters put beside a log. */
const BESIDE = /(^|\/)(__MACOSX\/|\.|thumbs\.db$|desktop\.ini$)|\.(txt|md|pdf|png|jpe?g|html?|xml)$/i;
const HIDDEN = /(^|\/)(__MACOSX\/|\.|thumbs\.db$|desktop\.ini$)/i;

/** The logs in an archive: notes and pictures beside a log are none. */
export function logsIn(entries: readonly ZipEntry[]): ZipEntry[] {
  const files = entries.filter((e) => !e.name.endsWith('/') && e.bytes > 0 && !HIDDEN.test(e.name));
  const logs = files.filter((e) => !BESIDE.test(e.name));
  return logs.length > 0 ? logs : files;
}

/** An archive whose parts are read by name. */
export interface Archive {
  readonly entries: readonly ZipEntry[];
  /** Unpacks a part; nothing happens where it is missing. */
  readonly unpack: (name: string, take: (bytes: Uint8Array) => ImportError | null) => ImportError | null;
}

/**
 * Opens an archive.
 *
 * @param limit most bytes that a part may unpack to
 */
export function openArchive(bytes: Uint8Array, limit: number): Result<Archive, ImportError> {
  const listed = listZip(bytes);
  if (!listed.ok) return listed;
  const entries = listed.value;
  const unpack: Archive['unpack'] = (name, take) => {
    const wanted = name.toLowerCase();
    const entry = entries.find((e) => e.name.toLowerCase() === wanted);
    return entry ? unzipEntry(bytes, entry, limit, take) : null;
  };
  return ok({ entries, unpack });
}

/** An archive of which only what is asked for is read. */
export interface RangedArchive {
  readonly entries: readonly ZipEntry[];
  /** The bytes of a part, length and sum checked. */
  readonly read: (entry: ZipEntry) => Promise<Result<Uint8Array, ImportError>>;
}

/** The header before a part's bytes repeats its name and may hold more beside. */
const LOCAL_EXTRA_BYTES = 4096;

/**
 * Opens an archive that is too large to be in memory.
 *
 * @param bytes length of the archive
 * @param range gives its bytes from and up to a place
 * @param limit most bytes that a part may unpack to
 */
export async function openRangedArchive(
  bytes: number,
  range: (from: number, to: number) => Promise<Uint8Array>,
  limit: number,
): Promise<Result<RangedArchive, ImportError>> {
  const directory = directoryOf(await range(Math.max(0, bytes - END_BYTES - LONGEST_COMMENT), bytes));
  if (!directory || directory.from > bytes) return fail(NO_END);
  const listed = readDirectory(await range(directory.from, bytes), 0, directory.count);
  if (!listed.ok) return listed;
  const read: RangedArchive['read'] = async (entry) => {
    const nameBytes = new TextEncoder().encode(entry.name).length;
    const to = entry.at + LOCAL_BYTES + nameBytes + LOCAL_EXTRA_BYTES + entry.packedBytes;
    const around = await range(entry.at, Math.min(bytes, to));
    const out = new Uint8Array(Math.min(entry.bytes, limit));
    let at = 0;
    const error = unzipEntry(around, { ...entry, at: 0 }, limit, (piece) => {
      // More than the directory said is told when the whole is measured.
      out.set(piece.subarray(0, Math.max(0, out.length - at)), Math.min(at, out.length));
      at += piece.length;
      return null;
    });
    return error ? fail(error) : ok(out);
  };
  return ok({ entries: listed.value, read });
}
