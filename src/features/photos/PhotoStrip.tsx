'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Camera, X } from 'lucide-react';
import Image from 'next/image';
import { usePathname } from 'next/navigation';
import { useEffect, useMemo, useRef } from 'react';
import { putBackDeleted } from '@/storage/bin';
import { addPhoto, deletePhoto, listPhotos } from '@/storage/photos';
import type { PhotoRecord } from '@/storage/records';
import { useWrite } from '@/job/useWrite';
import { useToast } from '@/ui/Toasts';

/** Largest photo kept, bytes. */
const LARGEST_BYTES = 20 * 1024 * 1024;

function Picture({ photo }: { photo: PhotoRecord }) {
  const url = useMemo(() => URL.createObjectURL(photo.image), [photo.image]);
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  return (
    <a href={url} target="_blank" rel="noreferrer">
      <Image unoptimized src={url} alt={photo.caption} width={128} height={96} className="h-24 w-32 object-cover" />
    </a>
  );
}

/** Photos of the present stage of a job; they stay in this browser. */
export function PhotoStrip({ jobId }: { jobId: string }) {
  const stage = usePathname().split('/')[3] ?? 'trace';
  const photos = useLiveQuery(() => listPhotos(jobId, stage), [jobId, stage]) ?? [];
  const input = useRef<HTMLInputElement>(null);
  const toast = useToast();
  const write = useWrite();
  const take = async (files: FileList | null) => {
    for (const file of files ?? []) {
      if (!file.type.startsWith('image/') || file.size > LARGEST_BYTES) {
        toast({ kind: 'error', text: `${file.name} is not a picture of up to 20 MB. Choose a photo.` });
        continue;
      }
      await write(addPhoto({ jobId, stage, caption: file.name, image: file }));
    }
  };
  const remove = (photo: PhotoRecord) =>
    write(deletePhoto(photo.id), { says: `${photo.caption} removed.`, undo: putBackDeleted });
  return (
    <section aria-label="Photos" className="flex flex-wrap items-end gap-3 px-5 pb-8 print:hidden" data-testid="photos">
      {photos.map((photo) => (
        <figure key={photo.id} className="relative">
          <Picture photo={photo} />
          <button
            type="button"
            className="btn absolute top-0 right-0 btn-square btn-sm"
            aria-label={`Remove photo ${photo.caption}`}
            onClick={() => void remove(photo)}
          >
            <X aria-hidden className="size-4" />
          </button>
        </figure>
      ))}
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        className="sr-only"
        aria-label="Photo"
        tabIndex={-1}
        onChange={(e) => void take(e.target.files)}
      />
      <button type="button" className="btn" onClick={() => input.current?.click()}>
        <Camera aria-hidden className="size-5" /> Add a photo
      </button>
    </section>
  );
}
