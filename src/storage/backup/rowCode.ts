/** How rows of the store become lines of JSON and rows again, with what JSON has no words for. */

/** A row, or anything in one. */
type Plain = null | boolean | number | string | readonly Plain[] | { readonly [key: string]: Plain };

/** Marks of what JSON cannot hold, each the only key of its record. */
const FLOATS = '$f64';
const BLOB = '$blob';
const NUMBER = '$number';
/** Numbers that JSON cannot write. */
const NUMBERS: readonly unknown[] = ['NaN', 'Infinity', '-Infinity', '-0'];
/** A record of the row's own whose keys look like marks. */
const RECORD = '$record';

/** Deeper than any row of the store is. */
const DEEPEST = 60;

/** Takes a blob to be kept beside the rows; gives back the name of its file. */
export type TakeBlob = (blob: Blob) => string;

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Bytes as text, in pieces that a call can take. */
function base64Of(bytes: Uint8Array): string {
  const PIECE = 0x8000;
  let text = '';
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return btoa(text);
}

function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  const text = atob(base64);
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  return bytes;
}

/**
 * A row as JSON can hold it. Figures of a trace are written as bytes, little end first; blobs as names of files.
 *
 * @throws {TypeError} on what no row of the store holds
 */
export function encodeRow(value: unknown, take: TakeBlob): Plain {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return value;
  if (typeof value === 'number') {
    if (Object.is(value, -0)) return { [NUMBER]: '-0' };
    return Number.isFinite(value) ? value : { [NUMBER]: String(value) };
  }
  if (value instanceof Float64Array) {
    return { [FLOATS]: base64Of(new Uint8Array(value.buffer, value.byteOffset, value.byteLength)) };
  }
  if (value instanceof Blob) return { [BLOB]: [take(value), value.type] };
  if (Array.isArray(value)) return value.map((v) => encodeRow(v === undefined ? null : v, take));
  if (!isRecord(value) || Object.prototype.toString.call(value) !== '[object Object]') {
    throw new TypeError(`a row holds ${Object.prototype.toString.call(value)}, which a backup cannot`);
  }
  const fields = Object.entries(value).filter(([, v]) => v !== undefined);
  const record = Object.fromEntries(fields.map(([k, v]) => [k, encodeRow(v, take)]));
  return fields.some(([k]) => k.startsWith('$')) ? { [RECORD]: record } : record;
}

/** A line that no backup of Varmek holds. */
export class BadRow extends Error {}

function decodeMark(mark: string, value: unknown, give: (name: string) => Blob): unknown {
  if (mark === NUMBER && NUMBERS.includes(value)) return Number(value);
  if (mark === FLOATS && typeof value === 'string' && /^[A-Za-z0-9+/]*={0,2}$/.test(value)) {
    const bytes = bytesOf(value);
    if (bytes.length % 8 === 0) return new Float64Array(bytes.buffer);
  }
  if (mark === BLOB && Array.isArray(value) && typeof value[0] === 'string' && typeof value[1] === 'string') {
    const blob = give(value[0]);
    return blob.slice(0, blob.size, value[1]);
  }
  throw new BadRow(`${mark} holds what it cannot`);
}

function decodeRecord(record: Record<string, unknown>, give: (name: string) => Blob, depth: number): unknown {
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(record)) {
    // Every object has it already: it would reach into the program instead of the data.
    if (key in Object.prototype) throw new BadRow(`a field is called ${key}`);
    out[key] = decode(value, give, depth + 1);
  }
  return out;
}

function decode(value: unknown, give: (name: string) => Blob, depth: number): unknown {
  if (depth > DEEPEST) throw new BadRow('it is nested too deep');
  if (Array.isArray(value)) return value.map((v) => decode(v, give, depth + 1));
  if (!isRecord(value)) return value;
  const [mark, ...others] = Object.keys(value);
  if (mark === undefined || !mark.startsWith('$') || others.length > 0) return decodeRecord(value, give, depth);
  if (mark !== RECORD) return decodeMark(mark, value[mark], give);
  const inner = value[mark];
  if (!isRecord(inner)) throw new BadRow(`${mark} holds no record`);
  return decodeRecord(inner, give, depth);
}

/**
 * A row from what {@link encodeRow} made of it.
 *
 * @param give the blob of a name @throws {BadRow} where it is none
 */
export const decodeRow = (value: unknown, give: (name: string) => Blob): unknown => decode(value, give, 0);
