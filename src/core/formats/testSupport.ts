import type { ImportError } from './importError';
import { createFileReader, readTrace, type ReadOptions, type ReadTrace } from './index';

/** Reads a text that must be readable. */
export function good(text: string, options: ReadOptions = {}): ReadTrace {
  const read = readTrace(text, options);
  if (!read.ok) throw new Error(`${read.error.code}: ${read.error.message}`);
  return read.value;
}

/** What is wrong with a text that must not be read, or asked about it. */
export function bad(text: string, options: ReadOptions = {}): ImportError {
  const read = readTrace(text, options);
  if (read.ok) throw new Error('was read');
  return read.error;
}

/** Reads a file of bytes. */
export async function readBytes(bytes: Uint8Array) {
  const reader = createFileReader();
  const error = reader.push(bytes);
  return error ? { ok: false as const, error } : reader.finish();
}

/** Reads a file of bytes that must be readable. */
export async function goodBytes(bytes: Uint8Array): Promise<ReadTrace> {
  const read = await readBytes(bytes);
  if (!read.ok) throw new Error(`${read.error.code}: ${read.error.message}`);
  return read.value;
}

/** Lines of a table: a header and rows worked out one by one. */
export const table = (header: string, count: number, row: (i: number) => string): string =>
  `${header}\n${Array.from({ length: count }, (_, i) => row(i)).join('\n')}\n`;

/** A coolant that warms up as coolants do, °C. */
export const warming = (i: number): number => Math.round(10 * (15 + 0.5 * i)) / 10;
