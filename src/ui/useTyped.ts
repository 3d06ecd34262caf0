'use client';

import { createContext, useContext, useEffect, useState } from 'react';

const UnsavedContext = createContext(false);

/** Says to the fields below whether changes wait that could not be kept. */
export const UnsavedProvider = UnsavedContext.Provider;

/** How long what was typed is remembered after the field was left: until its writing has failed or not, ms. */
const SETTLES_MS = 2000;

/** What is typed in a field, over what is kept. */
export interface Typed {
  /** Shown in place of what is kept; null where that is shown. */
  readonly typed: string | null;
  readonly type: (text: string) => void;
  /** The field is entered, or left. */
  readonly enter: () => void;
  readonly leave: () => void;
}

/**
 * Remembers what is typed in a field that keeps it at once. It stands there while the field is used, while it is wrong,
 * and while changes of this tab could not be kept: words never vanish from the screen before they are safe.
 *
 * @param stays what was typed is wrong and stays until it is mended
 */
export function useTyped(stays: (typed: string) => boolean): Typed {
  const unsaved = useContext(UnsavedContext);
  const [typed, setTyped] = useState<string | null>(null);
  const [left, setLeft] = useState(false);
  const wrong = typed !== null && stays(typed);
  const settles = left && !unsaved && !wrong && typed !== null;
  useEffect(() => {
    if (!settles) return undefined;
    const timer = setTimeout(() => setTyped(null), SETTLES_MS);
    return () => clearTimeout(timer);
  }, [settles]);
  return {
    typed: settles ? null : typed,
    type: (text) => {
      setLeft(false);
      setTyped(text);
    },
    enter: () => {
      if (settles) setTyped(null);
      setLeft(false);
    },
    leave: () => setLeft(true),
  };
}
