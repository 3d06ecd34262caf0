'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import type { Cancelled, Running } from '@/workers/callWorker';
import type { WorkerBug } from '@/workers/protocol';

/** Where a calculation in a worker stands; `last` is what came of the one before it, until there is news. */
export type WorkState<T> =
  | { readonly status: 'running'; readonly share: number; readonly last: T | null }
  | { readonly status: 'done'; readonly last: T }
  | { readonly status: 'failed'; readonly message: string; readonly last: T | null };

/**
 * Has something calculated in a worker, and again whenever its key changes; what goes on for an old key is stopped.
 *
 * @param key stands for all that the calculation depends on: the same figures in new objects do not begin it again
 * @param begin begins it, and is told the share done; null where there is nothing to calculate
 * @param pause_ms how long the key must stand still before it begins, for what is being typed
 */
export function useWork<T>(
  key: string,
  begin: (told: (share: number) => void) => Running<T, WorkerBug | Cancelled> | null,
  pause_ms = 0,
): WorkState<T> {
  const [state, setState] = useState<WorkState<T>>({ status: 'running', share: 0, last: null });
  const start = useEffectEvent(() => begin((share) => setState(({ last }) => ({ status: 'running', share, last }))));
  useEffect(() => {
    let cancel = () => undefined as void;
    const timer = setTimeout(() => {
      const running = start();
      if (!running) return;
      cancel = running.cancel;
      setState(({ last }) => ({ status: 'running', share: 0, last }));
      void running.result.then((result) => {
        if (result.ok) setState({ status: 'done', last: result.value });
        else if (result.error.kind === 'bug') {
          const { message } = result.error;
          setState(({ last }) => ({ status: 'failed', message, last }));
        }
      });
    }, pause_ms);
    return () => {
      clearTimeout(timer);
      cancel();
    };
  }, [key, pause_ms]);
  return state;
}
