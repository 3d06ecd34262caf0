'use client';

import { useEffect, useRef, useState } from 'react';
import type { RunningBackup } from './backupClient';

/** Work that is shown with its progress and can be stopped. */
export interface Shown {
  /** Null while nothing runs. */
  readonly share: number | null;
  readonly error: string | null;
  /** Runs it. @returns what it gave; null where it failed or was stopped */
  readonly run: <T>(start: (onShare: (share: number) => void) => RunningBackup<T>) => Promise<T | null>;
  readonly stop: () => void;
}

/** Follows one piece of long work at a time; leaving the screen stops it. */
export function useRunning(): Shown {
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  const cancel = useRef<() => void>(() => undefined);
  useEffect(() => () => cancel.current(), []);
  const run: Shown['run'] = async (start) => {
    setError(null);
    setShare(0);
    let goesOn = true;
    const running = start((so) => {
      // A report may come behind the end.
      if (goesOn) setShare(so);
    });
    cancel.current = running.cancel;
    const result = await running.result;
    goesOn = false;
    setShare(null);
    if (result.ok) return result.value;
    setError(result.error);
    return null;
  };
  return { share, error, run, stop: () => cancel.current() };
}
