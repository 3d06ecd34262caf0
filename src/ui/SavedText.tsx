'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import type { Result } from '@/core/base';

/** How long typing must pause before it is saved, ms. */
const PAUSE_MS = 400;

/**
 * A text that saves itself while it is typed. It says when it is saved, when it is not yet, and when it could not be:
 * then the words stay on the screen, and leaving the field tries again.
 */
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
  onSave: (text: string) => Promise<Result<unknown, { readonly message: string }>>;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const save = useEffectEvent(async (text: string) => {
    const saved = await onSave(text);
    setFailure(saved.ok ? null : saved.error.message);
    if (saved.ok) setTyped((now) => (now === text ? null : now));
  });
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => void save(typed), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  // Leaving the screen within the pause must not lose the last words.
  const leave = useEffectEvent(() => {
    if (typed !== null) void save(typed);
  });
  useEffect(() => () => leave(), []);
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={rows}
        className={`textarea mt-1 min-h-0 w-full text-base ${failure ? 'textarea-error' : ''}`}
        placeholder={hint}
        value={typed ?? value}
        aria-describedby={`${id}-state`}
        onChange={(e) => setTyped(e.target.value)}
      />
      <p
        id={`${id}-state`}
        role={failure ? 'alert' : undefined}
        className={failure ? 'text-sm text-error' : 'type-label'}
        aria-live="polite"
      >
        {failure !== null && typed !== null
          ? `Not saved: ${failure} Your words are still here.`
          : typed === null
            ? 'Saved'
            : 'Not saved yet'}
      </p>
      {failure !== null && typed !== null && (
        <TryAgain text={typed} onSave={onSave} onSaved={() => [setFailure(null), setTyped(null)]} />
      )}
    </div>
  );
}

/** A second try by hand, once room was made. */
function TryAgain({
  text,
  onSave,
  onSaved,
}: {
  text: string;
  onSave: (text: string) => Promise<Result<unknown, { readonly message: string }>>;
  onSaved: () => void;
}) {
  const again = async () => {
    const saved = await onSave(text);
    if (saved.ok) onSaved();
  };
  return (
    <button type="button" className="btn mt-1 btn-sm" onClick={() => void again()}>
      Save again
    </button>
  );
}
