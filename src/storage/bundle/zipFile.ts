import { unzipSync, zipSync, type Zippable } from 'fflate';
import { fail, ok, type Result } from '@/core/base';

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

/** Unpacks a job file. @returns its files by name, or what is wrong with it */
export async function unzipped(file: Blob): Promise<Result<Record<string, Uint8Array>, string>> {
  if (file.size > LARGEST_PACKED) return fail('This job file is larger than 200 MB. Save the job without its photos.');
  const bytes = await bytesOf(file);
  let total = 0;
  try {
    return ok(
      unzipSync(bytes, {
        filter: ({ originalSize }) => {
          total += originalSize;
          if (total > LARGEST_UNPACKED) throw new Error('it unpacks to more than any job holds');
          return true;
        },
      }),
    );
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fail(`This job file cannot be opened: ${why}. Save it again where it came from.`);
  }
}
