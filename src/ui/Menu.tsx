'use client';

import { useEffect, useRef, type ReactNode } from 'react';

/** A button that opens a short list of actions below it; a choice, Escape and a click elsewhere close it. @param side edge it hangs from */
export function Menu({
  label,
  side = 'right',
  children,
}: {
  label: ReactNode;
  side?: 'left' | 'right';
  children: ReactNode;
}) {
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
        className={`absolute z-30 mt-1 w-72 max-w-[calc(100vw-5rem)] border-2 border-base-content bg-base-100 p-1 shadow-lg [&_button:disabled]:opacity-60 [&_button:hover:enabled]:bg-base-200 [&>a]:hover:bg-base-200 [&>a,&>button]:flex [&>a,&>button]:min-h-11 [&>a,&>button]:w-full [&>a,&>button]:items-center [&>a,&>button]:gap-2 [&>a,&>button]:px-3 [&>a,&>button]:text-left ${side === 'left' ? 'left-0' : 'right-0'}`}
        onClick={(e) => {
          const isChoice = e.target instanceof Element && e.target.closest('button, a') !== null;
          if (isChoice && details.current) details.current.open = false;
        }}
      >
        {children}
      </div>
    </details>
  );
}
