'use client';

import { useEffect, useRef, type ReactNode } from 'react';

/** A button that opens a short list of actions below it; a choice, Escape and a click elsewhere close it. */
export function Menu({ label, children }: { label: ReactNode; children: ReactNode }) {
  const details = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const close = (event: Event) => {
      const menu = details.current;
      if (!menu?.open) return;
      const isEscape = event instanceof KeyboardEvent && event.key === 'Escape';
      const isOutside = event.type === 'pointerdown' && !menu.contains(event.target as Node);
      if (!isEscape && !isOutside) return;
      menu.open = false;
      if (isEscape) menu.querySelector('summary')?.focus();
    };
    document.addEventListener('pointerdown', close);
    document.addEventListener('keydown', close);
    return () => {
      document.removeEventListener('pointerdown', close);
      document.removeEventListener('keydown', close);
    };
  }, []);
  return (
    <details ref={details} className="relative my-auto">
      <summary className="btn list-none btn-ghost btn-sm">{label}</summary>
      <div
        className="absolute right-0 z-30 mt-1 w-72 border-2 border-base-content bg-base-100 p-1 shadow-lg [&_button]:flex [&_button]:min-h-11 [&_button]:w-full [&_button]:items-center [&_button]:gap-2 [&_button]:px-3 [&_button]:text-left [&_button:disabled]:opacity-60 [&_button:hover:enabled]:bg-base-200"
        onClick={(e) => {
          const isChoice = e.target instanceof Element && e.target.closest('button') !== null;
          if (isChoice && details.current) details.current.open = false;
        }}
      >
        {children}
      </div>
    </details>
  );
}
