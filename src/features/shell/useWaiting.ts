'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { writeQueue, type WaitingView } from '@/storage/writeQueue';

const NOTHING: WaitingView = { count: 0, why: null };

/** Follows the changes of this tab that could not be kept; asks before it is closed on one, or on one still underway. */
export function useWaiting(): WaitingView {
  const waiting = useSyncExternalStore(writeQueue.watch, writeQueue.current, () => NOTHING);
  const any = waiting.count > 0;
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      if (writeQueue.isBusy()) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, []);
  useEffect(() => {
    if (!any) return undefined;
    const tryNow = () => void writeQueue.tryAgain();
    window.addEventListener('focus', tryNow);
    return () => window.removeEventListener('focus', tryNow);
  }, [any]);
  return waiting;
}
