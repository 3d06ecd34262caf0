import type { ReactNode } from 'react';

/** A table that may be wider than a narrow window: it scrolls by itself, by finger and by the arrow keys. */
export function WideTable({ label, children }: { label: string; children: ReactNode }) {
  return (
    // A region that scrolls must take the focus, or the keyboard cannot move it (WCAG 2.1.1).
    <div role="region" aria-label={label} tabIndex={0} className="max-w-full overflow-x-auto">
      {children}
    </div>
  );
}
