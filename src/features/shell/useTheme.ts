'use client';

import { useCallback, useSyncExternalStore } from 'react';

/** Light for the yard, dark for the bay. */
export type Theme = 'yard' | 'bay';

/** Key in the browser's local storage; read by the inline script in the layout, before the first paint. */
export const THEME_KEY = 'varmek-theme';

function subscribe(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

const current = (): Theme => (document.documentElement.dataset.theme === 'bay' ? 'bay' : 'yard');

/** The present theme and a switch. */
export function useTheme(): [Theme, () => void] {
  const theme = useSyncExternalStore(subscribe, current, (): Theme => 'yard');
  const toggle = useCallback(() => {
    const next: Theme = current() === 'yard' ? 'bay' : 'yard';
    document.documentElement.dataset.theme = next;
    localStorage.setItem(THEME_KEY, next);
  }, []);
  return [theme, toggle];
}
