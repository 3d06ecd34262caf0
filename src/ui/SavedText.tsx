'use client';

import { useEffect, useRef, useState } from 'react';

/** How long typing must pause before it is saved, ms. */
const PAUSE_MS = 400;

/** A text that saves itself while it is typed; it says when it is saved and when it is not yet. */
export function SavedText({
  id,
  label,
  hint,
  value,
  rows,
  onSave,
}: {
  id: string;
  label: string;
  hint?: string;
  value: string;
  rows: number;
  onSave: (text: string) => Promise<unknown>;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const latest = useRef({ typed, onSave });
  useEffect(() => {
    latest.current = { typed, onSave };
  });
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => {
      void onSave(typed).then(() => setTyped((now) => (now === typed ? null : now)));
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed, onSave]);
  // Leaving the screen within the pause must not lose the last words.
  useEffect(
    () => () => {
      const { typed: left, onSave: save } = latest.current;
      if (left !== null) void save(left);
    },
    [],
  );
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={rows}
        className="textarea mt-1 min-h-0 w-full text-base"
        placeholder={hint}
        value={typed ?? value}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => {
          if (typed !== null) void onSave(typed).then(() => setTyped((now) => (now === typed ? null : now)));
        }}
      />
      <p className="type-label" aria-live="polite">
        {typed === null ? 'Saved' : 'Not saved yet'}
      </p>
    </div>
  );
}
