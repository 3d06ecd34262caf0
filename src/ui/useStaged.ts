'use client';

import { useEffect, useState } from 'react';

/**
 * Lets costly parts of a page appear one after the other, each in a task of its own, so that the page answers in
 * between. @returns how many of them may be drawn by now
 */
export function useStaged(count: number): number {
  const [drawn, setDrawn] = useState(0);
  useEffect(() => {
    if (drawn >= count) return undefined;
    const timer = setTimeout(() => setDrawn(drawn + 1), 0);
    return () => clearTimeout(timer);
  }, [drawn, count]);
  return drawn;
}
