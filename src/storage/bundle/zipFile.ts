import { zipSync, type Zippable } from 'fflate';
import { fail, ok, type Result } from '@/core/base';
import { openRangedArchive } from '@/core/formats';

/** Largest job file opened, packed and unpacked, bytes. */
const LARGEST_PACKED = 200 * 1024 * 1024;
const LARGEST_UNPACKED = 600 * 1024 * 1024;

/** Files of a zip being packed. */
export type Files = Zippable;

/** Two digits, so that files stand in order. */
export const two = (n: number): string => String(n).padStart(2, '0');

/** A name that every file system takes. */
export const safeName = (name: string): string => name.replace(/[^\p{L}\p{N}._ -]+/gu, '_').slice(-80);

/** Bytes of a blob. */
export const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());

/** Packs files. */
export const zipped = (files: Files): Blob => new Blob([zipSync(files) as BlobPart], { type: 'application/zip' });

/** Unpacks a job file, every length and sum checked. @returns its files by name, or what is wrong with it */
export async function unzipped(file: Blob): Promise<Result<Record<string, Uint8Array>, string>> {
  if (file.size > LARGEST_PACKED) return fail('This job file is larger than 200 MB. Save the job without its photos.');
  const refused = (why: string) => fail(`This job file cannot be opened: ${why} Save it again where it came from.`);
  const range = async (from: number, to: number) => bytesOf(file.slice(from, to));
  const archive = await openRangedArchive(file.size, range, LARGEST_UNPACKED);
  if (!archive.ok) return refused('it is no whole zip, or its end is missing.');
  const { entries, read } = archive.value;
  if (entries.reduce((sum, e) => sum + e.bytes, 0) > LARGEST_UNPACKED) {
    return refused('it unpacks to more than any job holds.');
  }
  // A record without names of its own: a file called like one of an object's is a file.
  const files = Object.create(null) as Record<string, Uint8Array>;
  for (const entry of entries) {
    if (entry.name.endsWith('/')) continue;
    const bytes = await read(entry);
    if (!bytes.ok) return refused(bytes.error.message);
    files[entry.name] = bytes.value;
  }
  return ok(files);
}
