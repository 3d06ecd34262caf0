import type { Result } from '@/core/base';
import { moveToBin } from './bin';
import { database } from './database';
import type { PhotoRecord } from './records';
import { kept, type StorageError } from './storageError';

/** Keeps a photo in the browser. */
export function addPhoto(fields: {
  jobId: string;
  stage: string;
  caption: string;
  image: Blob;
  at?: number;
}): Promise<Result<PhotoRecord, StorageError>> {
  const record: PhotoRecord = { at: Date.now(), ...fields, id: crypto.randomUUID() };
  return kept(async () => {
    await database().photos.add(record);
    return record;
  });
}

/** Every photo of a job, oldest first. */
export async function listJobPhotos(jobId: string): Promise<PhotoRecord[]> {
  const all = await database().photos.where('jobId').equals(jobId).toArray();
  return all.sort((a, b) => a.at - b.at);
}

/** Photos of one stage of a job, oldest first. */
export const listPhotos = async (jobId: string, stage: string): Promise<PhotoRecord[]> =>
  (await listJobPhotos(jobId)).filter((p) => p.stage === stage);

/** Deletes a photo into the bin. @returns its id there; null where it was not here */
export function deletePhoto(id: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.photos, db.bin, async () => {
      const photo = await db.photos.get(id);
      return photo ? moveToBin('photo', photo.caption, { photos: [photo] }) : null;
    }),
  );
}

/** One photo; undefined when it is not here. */
export const loadPhoto = (id: string): Promise<PhotoRecord | undefined> => database().photos.get(id);
