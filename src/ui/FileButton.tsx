'use client';

import { useRef, type ReactNode } from 'react';

/** A button that lets a person choose a file. */
export function FileButton({
  label,
  accept,
  testId,
  className = 'btn',
  onFile,
  children,
}: {
  /** What the file is, for the hidden input. */
  label: string;
  accept: string;
  testId?: string;
  className?: string;
  onFile: (file: File) => void;
  children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        aria-label={label}
        data-testid={testId}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
      <button type="button" className={className} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  );
}
