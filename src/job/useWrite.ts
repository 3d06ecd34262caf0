'use client';

import { useCallback } from 'react';
import type { Result } from '@/core/base';
import { useToast, type Toast } from '@/ui/Toasts';

/** What a write may fail with: an error with words, or the words themselves. */
type Failure = { readonly message: string } | string;

/** What to say of a write that went well, and how to undo it. */
export interface Written<T> {
  /** Said in a message; nothing is said without it, or where it gives null. */
  readonly says?: string | ((value: T) => string | null);
  /** Offered with the message. */
  readonly undo?: (value: T) => Promise<Result<unknown, Failure>>;
}

/** The words of a failure. */
export const wordsOf = (error: Failure): string => (typeof error === 'string' ? error : error.message);

/** Says what a write that went well has to say, with its undo. */
export function sayWritten<T>(toast: (toast: Toast) => void, value: T, { says, undo }: Written<T>): void {
  const text = typeof says === 'function' ? says(value) : (says ?? null);
  if (text === null) return;
  const run = async () => {
    const undone = await undo!(value);
    if (!undone.ok) toast({ kind: 'error', text: wordsOf(undone.error) });
  };
  toast({ kind: 'info', text, ...(undo ? { action: { label: 'Undo', run: () => void run() } } : {}) });
}

/** A write that says when it fails: the value, or null after a failure that was shown. */
export type Write = <T>(result: Promise<Result<T, Failure>>, written?: Written<T>) => Promise<T | null>;

/** A write whose caller keeps what was typed until it is kept: its failure is shown, its undo offered. */
export function useWrite(): Write {
  const toast = useToast();
  return useCallback(
    async (result, written = {}) => {
      const settled = await result;
      if (!settled.ok) {
        toast({ kind: 'error', text: wordsOf(settled.error) });
        return null;
      }
      sayWritten(toast, settled.value, written);
      return settled.value;
    },
    [toast],
  );
}
