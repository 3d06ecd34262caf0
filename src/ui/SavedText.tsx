'use client';

import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { usePathname } from 'next/navigation';
import { mergeText, type Result } from '@/core/base';
import { dropDraft, keepDraft, readDraft } from './draft';

/** How long typing must pause before it is saved, ms. */
const PAUSE_MS = 400;

/**
 * A text that saves itself while it is typed. It says when it is saved, when it is not yet, and when it could not be:
 * then the words stay on the screen. A reload before they are saved finds them again. What someone else has changed in
 * the text meanwhile, in another tab, is kept with it.
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
  /** Keeps what it makes of the text that stands where it is kept. */
  onSave: (to: (kept: string) => string) => Promise<Result<unknown, { readonly message: string }>>;
}) {
  const draft = `${usePathname()} ${id}`;
  const [typed, setTyped] = useState<string | null>(() => readDraft(draft));
  const [failure, setFailure] = useState<string | null>(null);
  // The text with which typing began: what differs from it is mine, what differs from it elsewhere is someone else's.
  const base = useRef<string | null>(null);
  const save = async (text: string) => {
    const from = base.current ?? readDraft(`${draft} from`) ?? value;
    const saved = await onSave((kept) => mergeText(from, text, kept));
    setFailure(saved.ok ? null : saved.error.message);
    if (!saved.ok) return;
    base.current = text;
    keepDraft(`${draft} from`, text);
    dropDraft(draft, text);
    setTyped((now) => (now === text ? null : now));
  };
  const saveTyped = useEffectEvent((text: string) => void save(text));
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => saveTyped(typed), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  // Leaving the screen within the pause must not lose the last words.
  const leave = useEffectEvent(() => {
    if (typed !== null) saveTyped(typed);
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
        onChange={(e) => {
          if (typed === null) {
            base.current = value;
            keepDraft(`${draft} from`, value);
          }
          keepDraft(draft, e.target.value);
          setTyped(e.target.value);
        }}
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
        <button type="button" className="btn mt-1 btn-sm" onClick={() => void save(typed)}>
          Save again
        </button>
      )}
    </div>
  );
}
