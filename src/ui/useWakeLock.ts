'use client';

import { useEffect, useState } from 'react';

/**
 * Keeps the screen awake while something runs; taken again whenever the page comes back into sight.
 *
 * @returns whether it is kept awake; null where this browser cannot
 */
export function useWakeLock(wanted: boolean): boolean | null {
  const [held, setHeld] = useState(false);
  const possible = typeof navigator !== 'undefined' && 'wakeLock' in navigator;
  useEffect(() => {
    if (!wanted || !possible) return undefined;
    let sentinel: WakeLockSentinel | null = null;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const taken = await navigator.wakeLock.request('screen');
        if (over) return void taken.release();
        sentinel = taken;
        setHeld(true);
        taken.addEventListener('release', () => setHeld(false));
      } catch (error) {
        // Refused on a low battery, or out of sight: the screen then sleeps as it likes, and the times stay right.
        if (!(error instanceof DOMException)) throw error;
        setHeld(false);
      }
    };
    void take();
    const seen = () => void take();
    document.addEventListener('visibilitychange', seen);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', seen);
      void sentinel?.release();
    };
  }, [wanted, possible]);
  return possible ? held && wanted : null;
}
