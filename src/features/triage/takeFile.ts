import { unpackInWorker } from '@/workers/client';
import { isLitter, pathOf } from './triageView';

/** A log as it came, with the folders or the archive that it came in. */
export interface TakenLog {
  readonly fileName: string;
  readonly raw: Blob;
}

/** The logs of a file: itself, or those of an archive that holds several; none where it is what systems leave behind. */
export async function takeFile(file: File): Promise<TakenLog[]> {
  const fileName = pathOf(file);
  if (isLitter(fileName)) return [];
  // Kept as it is now: the file on the disk may change or go.
  const raw = new Blob([await file.arrayBuffer()]);
  if (!/\.zip$/i.test(fileName)) return [{ fileName, raw }];
  const unpacked = await unpackInWorker(raw);
  // What is wrong with an archive is said when it is read.
  if (!unpacked.ok || unpacked.value === null) return [{ fileName, raw }];
  return unpacked.value.map(({ name, bytes }) => ({
    fileName: `${fileName}/${name}`,
    raw: new Blob([bytes as Uint8Array<ArrayBuffer>]),
  }));
}
