'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { newClosing, readClosing, type ClosingSheet } from '@/core/closing';
import { changeClosing, loadClosing, undoClosing } from '@/storage/closings';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';

/** The closing of the open job, with the way to change it. */
export interface ClosingInHand {
  /** What stands, or an empty one. */
  readonly closing: ClosingSheet;
  /** False while it is being read. */
  readonly loaded: boolean;
  /** Why what stands cannot be read by this version; null when it can. */
  readonly unread: string | null;
  /** Changes it where it is kept; said and undone where words are given. */
  readonly put: (change: Partial<ClosingSheet> | ((now: ClosingSheet) => Partial<ClosingSheet>), says?: string) => void;
}

const EMPTY = newClosing();

/** Follows the closing of the open job. */
export function useClosing(): ClosingInHand {
  const { job } = useJob();
  const keep = useKeep();
  const record = useLiveQuery(async () => (await loadClosing(job.id)) ?? null, [job.id]);
  const read = record ? readClosing(record.sheet) : null;
  return {
    closing: read?.ok ? read.value : EMPTY,
    loaded: record !== undefined,
    unread: read && !read.ok ? read.error : null,
    put: (change, says) =>
      keep(
        () => changeClosing(job.id, (s) => ({ ...s, ...(typeof change === 'function' ? change(s) : change) })),
        says === undefined ? {} : { says, undo: undoClosing },
      ),
  };
}
