'use client';

import { useCallback, useState } from 'react';

/** Width of an element in px, followed as it changes; 0 before it is laid out. */
export function useElementWidth(): [(element: HTMLElement | null) => void, number] {
  const [width, setWidth] = useState(0);
  const attach = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const observer = new ResizeObserver((entries) => {
      const entry = entries[0];
      if (entry) setWidth(Math.floor(entry.contentRect.width));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [attach, width];
}
