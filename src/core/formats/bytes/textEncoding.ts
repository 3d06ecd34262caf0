/** What the first bytes of a file say it is. */
export type SniffedText =
  | { readonly kind: 'text'; readonly encoding: 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252' }
  | { readonly kind: 'gzip' }
  | { readonly kind: 'zip' }
  | { readonly kind: 'binary'; readonly looksLike: string; readonly mend: string };

const EXPORT = 'Export the log as CSV text and read that.';
const UNPACK = 'Unpack it and read the log inside.';
const ascii = (text: string): number[] => [...text].map((c) => c.charCodeAt(0));
const SIGNATURES: readonly { bytes: readonly number[]; at?: number; name: string; mend?: string }[] = [
  { bytes: [0x89, 0x50, 0x4e, 0x47], name: 'a PNG picture' },
  { bytes: [0xff, 0xd8, 0xff], name: 'a JPEG picture' },
  { bytes: [0x47, 0x49, 0x46, 0x38], name: 'a GIF picture' },
  { bytes: [0x25, 0x50, 0x44, 0x46], name: 'a PDF' },
  {
    bytes: [0xd0, 0xcf, 0x11, 0xe0],
    name: 'a spreadsheet of the old kind, or one with a password',
    mend: 'Save it without a password as .xlsx or CSV and read that.',
  },
  { bytes: [0x37, 0x7a, 0xbc, 0xaf], name: 'a 7z archive', mend: UNPACK },
  { bytes: [0x52, 0x61, 0x72, 0x21], name: 'a rar archive', mend: UNPACK },
  { bytes: [0xfd, 0x37, 0x7a, 0x58, 0x5a], name: 'an xz archive', mend: UNPACK },
  { bytes: [0x42, 0x5a, 0x68], name: 'a bzip2 archive', mend: UNPACK },
  { bytes: [0x28, 0xb5, 0x2f, 0xfd], name: 'a zstd archive', mend: UNPACK },
  { bytes: ascii('ustar'), at: 257, name: 'a tar archive', mend: UNPACK },
  { bytes: ascii('SQLite format 3'), name: 'a database', mend: EXPORT },
  { bytes: ascii('PAR1'), name: 'a parquet table', mend: EXPORT },
  { bytes: ascii('MDF '), name: 'a binary measurement file', mend: EXPORT },
  { bytes: ascii('MATLAB '), name: 'a file of a mathematics program', mend: EXPORT },
  { bytes: ascii('X\n\0\0'), name: 'a data file of a statistics program', mend: EXPORT },
  { bytes: ascii('RDX'), name: 'a data file of a statistics program', mend: EXPORT },
];

/** Share of control characters above which bytes are no text. */
const MOST_CONTROL = 0.02;

/**
 * Decides whether bytes are text and in which encoding, from their first 64 KiB. Core decodes nothing itself: the
 * edge does, with this answer.
 */
export function sniffText(bytes: Uint8Array): SniffedText {
  if (startsWith(bytes, [0x1f, 0x8b])) return { kind: 'gzip' };
  if (startsWith(bytes, [0x50, 0x4b, 0x03, 0x04])) return { kind: 'zip' };
  const found = SIGNATURES.find((s) => startsWith(bytes.subarray(s.at ?? 0), s.bytes));
  if (found) return { kind: 'binary', looksLike: found.name, mend: found.mend ?? EXPORT };
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { kind: 'text', encoding: 'utf-16le' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { kind: 'text', encoding: 'utf-16be' };
  const head = bytes.subarray(0, 65536);
  let control = 0;
  let evenZero = 0;
  let oddZero = 0;
  for (let i = 0; i < head.length; i++) {
    const b = head[i]!;
    if (b === 0) {
      if (i % 2 === 0) evenZero++;
      else oddZero++;
    } else if (b < 9 || (b > 13 && b < 32)) control++;
  }
  if (oddZero > 0.3 * head.length) return { kind: 'text', encoding: 'utf-16le' };
  if (evenZero > 0.3 * head.length) return { kind: 'text', encoding: 'utf-16be' };
  if (control + evenZero + oddZero > MOST_CONTROL * head.length)
    return { kind: 'binary', looksLike: 'not text', mend: EXPORT };
  return { kind: 'text', encoding: isUtf8(head) ? 'utf-8' : 'windows-1252' };
}

const startsWith = (bytes: Uint8Array, start: readonly number[]): boolean => start.every((b, i) => bytes[i] === b);

/** Share of ill-formed sequences that a damaged file may have and still be UTF-8. */
const MOST_ILL_FORMED = 0.2;

/**
 * True when multi-byte sequences are well formed but for a few (a cut last one is forgiven): one damaged byte must not
 * turn every degree sign of a file into two letters. Source: RFC 3629, section 3.
 */
function isUtf8(bytes: Uint8Array): boolean {
  let well = 0;
  let ill = 0;
  for (let i = 0; i < bytes.length;) {
    const b = bytes[i]!;
    if (b < 0x80) {
      i++;
      continue;
    }
    const more = b >= 0xc2 && b <= 0xdf ? 1 : b >= 0xe0 && b <= 0xef ? 2 : b >= 0xf0 && b <= 0xf4 ? 3 : 0;
    let k = 1;
    while (k <= more && i + k < bytes.length && (bytes[i + k]! & 0xc0) === 0x80) k++;
    if (i + k >= bytes.length && more > 0 && k <= more) break;
    if (more > 0 && k > more) well++;
    else ill++;
    i += k;
  }
  return ill <= MOST_ILL_FORMED * well;
}
