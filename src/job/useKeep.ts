'use client';

import { useCallback } from 'react';
import type { Result } from '@/core/base';
import type { StorageError } from '@/storage/storageError';
import { writeQueue } from '@/storage/writeQueue';
import { useToast } from '@/ui/Toasts';
import { sayWritten, wordsOf, type Written } from './useWrite';

/** What to do beside the words of a change. */
export interface Keeping<T> extends Written<T> {
  /** Called with the reason when it has to wait, with null once it is kept or can never be. */
  readonly waits?: (why: string | null) => void;
}

/** Keeps a change that nobody waits for; one that cannot be kept is held and tried again. */
export type Keep = <T>(make: () => Promise<Result<T, StorageError>>, keeping?: Keeping<T>) => void;

/**
 * Every change that takes effect where it is made, a tick, a figure, a choice, goes through this. What cannot be kept is
 * shown by the shell and tried again; a form whose words stay on the screen until they are kept uses `useWrite`.
 */
export function useKeep(): Keep {
  const toast = useToast();
  return useCallback(
    (make, keeping = {}) => {
      void writeQueue.keep(make, {
        kept: (value) => {
          keeping.waits?.(null);
          sayWritten(toast, value, keeping);
        },
        waits: (error) => keeping.waits?.(error.message),
        refused: (error) => {
          keeping.waits?.(null);
          toast({ kind: 'error', text: wordsOf(error) });
        },
      });
    },
    [toast],
  );
}
