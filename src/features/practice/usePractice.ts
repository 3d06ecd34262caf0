'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { PracticeSheet } from '@/core/practice';
import { useKeep } from '@/job/useKeep';
import { changePractice, loadPractice, type PracticeKept } from '@/storage/practices';
import type { PracticeRecord } from '@/storage/practiceRecord';

/** The open practice case, with the way to go on in it. */
export interface PracticeInHand {
  /** Undefined while it is read, null where there is none, words where it cannot be read. */
  readonly found: PracticeKept | string | null | undefined;
  /** Changes it where it is kept. */
  readonly put: (change: (sheet: PracticeSheet) => PracticeSheet, logged?: PracticeRecord['traces']) => void;
}

/** Follows a practice case. */
export function usePractice(id: string): PracticeInHand {
  const keep = useKeep();
  const read = useLiveQuery(() => loadPractice(id), [id]);
  return {
    found: read === undefined || read === null ? read : read.ok ? read.value : read.error,
    put: (change, logged) => keep(() => changePractice(id, change, logged)),
  };
}

/** A name for a case that tells nothing of what is wrong. */
export const practiceName = ({ source, vehicle }: PracticeSheet): string =>
  source.kind === 'job' ? `${vehicle.label}, own job` : vehicle.label;
