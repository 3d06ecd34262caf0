'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { writeQueue, type WaitingView } from '@/storage/writeQueue';

const NOTHING: WaitingView = { count: 0, why: null };

/** Follows the changes of this tab that could not be kept; asks before the tab is closed on them. */
export function useWaiting(): WaitingView {
  const waiting = useSyncExternalStore(writeQueue.watch, writeQueue.current, () => NOTHING);
  const any = waiting.count > 0;
  useEffect(() => {
    if (!any) return undefined;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    const tryNow = () => void writeQueue.tryAgain();
    window.addEventListener('beforeunload', ask);
    window.addEventListener('focus', tryNow);
    return () => {
      window.removeEventListener('beforeunload', ask);
      window.removeEventListener('focus', tryNow);
    };
  }, [any]);
  return waiting;
}
