'use client';

import { X } from 'lucide-react';
import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';

/** A short message at the foot of the screen, with at most one action. */
export interface Toast {
  readonly kind: 'info' | 'error';
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void };
}

const ToastContext = createContext<(toast: Toast) => void>(() => undefined);

/** Shows a message; errors stay until closed, others leave after a while. */
export const useToast = () => useContext(ToastContext);

/** How long a message without an error stays, ms. */
const STAYS_MS = 12_000;

/** Gives messages to everything below. */
export function ToastProvider({ children }: { children: ReactNode }) {
  const [toasts, setToasts] = useState<readonly (Toast & { readonly id: number })[]>([]);
  const next = useRef(0);
  const remove = useCallback((id: number) => setToasts((all) => all.filter((t) => t.id !== id)), []);
  const show = useCallback(
    (toast: Toast) => {
      const id = next.current++;
      // Many failures of one kind are one message.
      const isNews = (t: Toast) => toast.kind === 'info' || t.text !== toast.text;
      setToasts((all) => [...all.filter(isNews).slice(-3), { ...toast, id }]);
      if (toast.kind === 'info') setTimeout(() => remove(id), STAYS_MS);
    },
    [remove],
  );
  const value = useMemo(() => show, [show]);
  return (
    <ToastContext value={value}>
      {children}
      <div className="fixed right-4 bottom-4 z-50 flex w-[28rem] max-w-[calc(100vw-2rem)] flex-col gap-2 print:hidden">
        {toasts.map((toast) => (
          <div
            key={toast.id}
            role={toast.kind === 'error' ? 'alert' : 'status'}
            className={`flex items-start gap-3 border-l-4 bg-neutral px-4 py-3 text-neutral-content shadow-lg ${toast.kind === 'error' ? 'border-error' : 'border-primary'}`}
          >
            <p className="min-w-0 flex-1">{toast.text}</p>
            {toast.action && (
              <button
                type="button"
                className="tap shrink-0 font-semibold underline underline-offset-4"
                onClick={() => {
                  toast.action?.run();
                  remove(toast.id);
                }}
              >
                {toast.action.label}
              </button>
            )}
            <button
              type="button"
              aria-label="Close message"
              className="tap shrink-0 justify-center"
              onClick={() => remove(toast.id)}
            >
              <X aria-hidden className="size-5" />
            </button>
          </div>
        ))}
      </div>
    </ToastContext>
  );
}
